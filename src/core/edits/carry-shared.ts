import { z } from 'zod';
import { elementIdSchema, sharedIdSchema } from '../document/element';
import { LIMITS } from '../document/limits';
import type { EditKind } from './edit';
import { changesElements, laterWins, nameOf, requireElement } from './edit';
import { carryingFootprint } from './footprint';
import { requireShared } from './remove-shared';

const schema = z.strictObject({
  type: z.literal('carryShared'),
  node: elementIdSchema,
  /** All shared styles that the element is to carry. */
  shared: z.array(sharedIdSchema).max(LIMITS.carried, `An element carries at most ${LIMITS.carried} shared styles.`),
});
type CarryShared = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly carryShared: CarryShared;
  }
}

/** Which shared styles an element carries. */
export const carryShared: EditKind<CarryShared> = {
  schema,
  ...changesElements<CarryShared>((writer, { node, shared }) => {
    const { page, element } = writer.require(node);
    for (const id of shared) requireShared(writer.project, id);
    const list = [...new Set(shared)];
    writer.put(page.id, { ...element, shared: list });
    return { type: 'carryShared', node, shared: [...element.shared] };
  }),
  footprint: (before, after, { node }) => carryingFootprint(before, after, requireElement(after, node).page.id, node),
  merge: laterWins('node'),
  describe(project, { node, shared }) {
    const names = shared.map((id) => project.shared.find((one) => one.id === id)?.name ?? '');
    return `${nameOf(project, node)} carries ${names.length > 0 ? names.join(', ') : 'no shared style'}`;
  },
};
