import { z } from 'zod';
import { sharedIdSchema } from '../document/element';
import type { Project } from '../document/project';
import { nameSchema } from '../text';
import { sharedFootprint } from './add-shared';
import type { EditKind } from './edit';
import { anchored, idsOf, indexIn, placeFields, placeOf } from './list-place';
import { requireShared } from './remove-shared';

const schema = z.strictObject({
  type: z.literal('changeShared'),
  id: sharedIdSchema,
  name: nameSchema.optional(),
  /** Its place among the shared styles, counted without itself; later ones win. */
  ...placeFields,
});
type ChangeShared = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly changeShared: ChangeShared;
  }
}

const besides = (project: Project, id: string) => idsOf(project.shared).filter((one) => one !== id);

/** Another name for a shared style, or another place in the order that decides between those an element carries. */
export const changeShared: EditKind<ChangeShared> = {
  schema,
  apply(project, { id, name, ...place }) {
    const style = requireShared(project, id);
    const moves = place.index !== undefined;
    const at = moves ? indexIn(besides(project, id), place) : project.shared.indexOf(style);
    const shared = project.shared.filter((one) => one !== style).toSpliced(at, 0, { ...style, name: name ?? style.name });
    return {
      document: { ...project, shared },
      inverse: {
        type: 'changeShared',
        id,
        ...(name !== undefined && { name: style.name }),
        ...(moves && placeOf(idsOf(project.shared), id)),
      },
    };
  },
  footprint: (before, after, { id }) => sharedFootprint(before, after, id),
  merge(earlier, later) {
    if (earlier.id !== later.id) return undefined;
    const { index: _, after: __, ...rest } = earlier;
    return later.index === undefined ? { ...earlier, ...later } : { ...rest, ...later };
  },
  anchor: ({ project }, edit) => anchored(besides(project, edit.id), edit),
  describe(project, { id, name, index }) {
    const before = project.shared.find((one) => one.id === id)?.name ?? 'a shared style';
    return name !== undefined
      ? `Rename shared style ${before} to ${name}`
      : `Put ${before} at place ${(index ?? 0) + 1} of the shared styles`;
  },
};
