import { z } from 'zod';
import { sharedIdSchema } from '../document/element';
import type { Project, SharedStyle } from '../document/project';
import { sharedFootprint, withCarried } from './add-shared';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { idsOf, placeOf } from './list-place';
import { carriersOf } from './owners';

const schema = z.strictObject({ type: z.literal('removeShared'), id: sharedIdSchema });
type RemoveShared = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly removeShared: RemoveShared;
  }
}

export function requireShared(project: Project, id: string): SharedStyle {
  const style = project.shared.find((one) => one.id === id);
  if (!style) throw new EditError('This shared style has been removed.');
  return style;
}

/** Removes a shared style, and with it from all that carry it. */
export const removeShared: EditKind<RemoveShared> = {
  schema,
  apply(project, { id }) {
    const style = requireShared(project, id);
    const carriers = carriersOf(project, id).map(({ element }) => ({ node: element.id, place: element.shared.indexOf(id) }));
    const without: Project = { ...project, shared: project.shared.filter((one) => one !== style) };
    return {
      document: withCarried(without, (_, shared) => (shared.includes(id) ? shared.filter((one) => one !== id) : shared)),
      inverse: { type: 'addShared', style, ...placeOf(idsOf(project.shared), id), ...(carriers.length > 0 && { carriers }) },
    };
  },
  footprint: (before, after, { id }) => sharedFootprint(before, after, id),
  describe: (project, { id }) => `Remove shared style ${project.shared.find((one) => one.id === id)?.name ?? ''}`,
};
