import { z } from 'zod';
import { pageIdSchema } from '../document/project';
import type { EditKind } from './edit';
import { requirePage } from './edit';
import { anchored, idsOf, indexIn, placeFields, placeOf } from './list-place';

const schema = z.strictObject({ type: z.literal('movePage'), page: pageIdSchema, ...placeFields });
type MovePage = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly movePage: MovePage;
  }
}

/** Puts a page at another place among the pages; the place is one among the others. */
export const movePage: EditKind<MovePage> = {
  schema,
  apply(project, { page: id, ...place }) {
    const page = requirePage(project, id);
    const others = project.pages.filter((one) => one !== page);
    return {
      document: { ...project, pages: others.toSpliced(indexIn(idsOf(others), place), 0, page) },
      inverse: { type: 'movePage', page: id, ...placeOf(idsOf(project.pages), id) },
    };
  },
  footprint: () => ({}),
  describe: (project, { page }) => `Move page ${project.pages.find(({ id }) => id === page)?.name ?? ''}`,
  anchor: ({ project }, edit) => anchored(idsOf(project.pages.filter(({ id }) => id !== edit.page)), edit),
};
