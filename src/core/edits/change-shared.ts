import { z } from 'zod';
import { nameSchema, sharedIdSchema } from '../document/element';
import { sharedFootprint } from './add-shared';
import type { EditKind } from './edit';
import { requireShared } from './remove-shared';

const schema = z.strictObject({
  type: z.literal('changeShared'),
  id: sharedIdSchema,
  name: nameSchema.optional(),
  /** Its place among the shared styles; later ones win. */
  index: z.number().int().min(0).max(500).optional(),
});
export type ChangeShared = z.infer<typeof schema>;

/** Another name for a shared style, or another place in the order that decides between those an element carries. */
export const changeShared: EditKind<ChangeShared> = {
  schema,
  apply(project, { id, name, index }) {
    const style = requireShared(project, id);
    const at = project.shared.indexOf(style);
    const shared = project.shared
      .filter((one) => one !== style)
      .toSpliced(index ?? at, 0, { ...style, name: name ?? style.name });
    return {
      document: { ...project, shared },
      inverse: {
        type: 'changeShared',
        id,
        ...(name !== undefined && { name: style.name }),
        ...(index !== undefined && { index: at }),
      },
    };
  },
  footprint: (before, after, { id }) => sharedFootprint(before, after, id),
  describe(project, { id, name, index }) {
    const before = project.shared.find((one) => one.id === id)?.name ?? 'a shared style';
    return name !== undefined
      ? `Rename shared style ${before} to ${name}`
      : `Put ${before} at place ${(index ?? 0) + 1} of the shared styles`;
  },
};
