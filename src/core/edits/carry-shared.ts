import { z } from 'zod';
import { elementIdSchema, sharedIdSchema } from '../document/element';
import { withCarried } from './add-shared';
import type { EditKind } from './edit';
import { nameOf, requireElement } from './edit';
import { carryingFootprint } from './footprint';
import { requireShared } from './remove-shared';

const schema = z.strictObject({
  type: z.literal('carryShared'),
  node: elementIdSchema,
  /** All shared styles that the element is to carry. */
  shared: z.array(sharedIdSchema).max(50, 'An element carries at most 50 shared styles.'),
});
export type CarryShared = z.infer<typeof schema>;

/** Which shared styles an element carries. */
export const carryShared: EditKind<CarryShared> = {
  schema,
  apply(project, { node, shared }) {
    const { element } = requireElement(project, node);
    for (const id of shared) requireShared(project, id);
    const list = [...new Set(shared)];
    return {
      document: withCarried(project, (id, before) => (id === node ? list : before)),
      inverse: { type: 'carryShared', node, shared: [...element.shared] },
    };
  },
  footprint: (before, after, { node }) => carryingFootprint(before, after, requireElement(after, node).page.id, node),
  describe(project, { node, shared }) {
    const names = shared.map((id) => project.shared.find((one) => one.id === id)?.name ?? '');
    return `${nameOf(project, node)} carries ${names.length > 0 ? names.join(', ') : 'no shared style'}`;
  },
};
