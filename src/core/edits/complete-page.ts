import { z } from 'zod';
import { broughtSchema } from '../document/brought';
import { pageIdSchema } from '../document/project';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { wholeFootprint } from './footprint';

const schema = z.strictObject({
  type: z.literal('completePage'),
  page: pageIdSchema,
  sheets: broughtSchema.shape.sheets,
  leftOut: broughtSchema.shape.leftOut,
});
type CompletePage = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly completePage: CompletePage;
  }
}

/** Gives a page that was brought in the style sheets that it lacked then, and says what is still missing. */
export const completePage: EditKind<CompletePage> = {
  schema,
  apply(project, { page: id, sheets, leftOut }) {
    const page = project.pages.find((one) => one.id === id);
    if (!page) throw new EditError('This page has been removed.');
    const { brought } = page;
    if (!brought) throw new EditError('This page wasn’t brought in.');
    const completed = { ...page, brought: { ...brought, sheets, leftOut } };
    return {
      document: { ...project, pages: project.pages.map((one) => (one === page ? completed : one)) },
      inverse: { type: 'completePage', page: id, sheets: brought.sheets, leftOut: brought.leftOut },
    };
  },
  footprint: (_, after) => wholeFootprint(after),
  describe: (project, { page }) => `Complete ${project.pages.find(({ id }) => id === page)?.name ?? 'a page'}`,
};
