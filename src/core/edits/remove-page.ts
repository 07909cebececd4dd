import { z } from 'zod';
import { pageIdSchema } from '../document/project';
import type { EditKind } from './edit';
import { EditError, requirePage } from './edit';
import { idsOf, placeOf } from './list-place';

const schema = z.strictObject({ type: z.literal('removePage'), page: pageIdSchema });
type RemovePage = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly removePage: RemovePage;
  }
}

/** Takes a page out with all that stands on it. Links to it stay, and are found to lead nowhere. */
export const removePage: EditKind<RemovePage> = {
  schema,
  apply(project, { page: id }) {
    const page = requirePage(project, id);
    if (project.pages.length === 1) throw new EditError('A project has at least one page.');
    return {
      document: { ...project, pages: project.pages.filter((one) => one !== page) },
      inverse: { type: 'addPage', page, ...placeOf(idsOf(project.pages), id) },
    };
  },
  footprint: () => ({}),
  describe: (project, { page }) => `Remove page ${project.pages.find(({ id }) => id === page)?.name ?? ''}`,
};
