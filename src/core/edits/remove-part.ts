import { z } from 'zod';
import { listsOf, usesOf } from '../document/parts';
import type { Page, Project } from '../document/project';
import { partIdSchema } from '../document/use';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { idsOf, placeOf } from './list-place';

const schema = z.strictObject({ type: z.literal('removePart'), part: partIdSchema });
type RemovePart = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly removePart: RemovePart;
  }
}

/** @throws EditError when it has been removed */
export function requirePart(project: Project, id: string): Page {
  const part = project.parts.find((one) => one.id === id);
  if (!part) throw new EditError('The part this edit is about has been removed.');
  return part;
}

/** Forgets a part that is used nowhere. */
export const removePart: EditKind<RemovePart> = {
  schema,
  apply(project, { part: id }) {
    const part = requirePart(project, id);
    const [use] = usesOf(project, id);
    if (use) throw new EditError(`The part ${part.name} is still used on ${use.tree.name}.`);
    const [list] = listsOf(project, id);
    if (list) throw new EditError(`The part ${part.name} is the item of a list on ${list.tree.name}.`);
    return {
      document: { ...project, parts: project.parts.filter((one) => one !== part) },
      inverse: { type: 'addPart', part, ...placeOf(idsOf(project.parts), id) },
    };
  },
  footprint: () => ({}),
  describe: (project, { part }) => `Remove part ${project.parts.find(({ id }) => id === part)?.name ?? ''}`,
};
