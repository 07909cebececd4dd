import { z } from 'zod';
import { ALL_WIDTHS } from '../breakpoints/interval';
import { LIMITS } from '../document/limits';
import type { Page } from '../document/project';
import { pageSchema } from '../document/project';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { anchored, idsOf, indexIn, placeFields } from './list-place';

const schema = z.strictObject({ type: z.literal('addPage'), page: pageSchema, ...placeFields });
type AddPage = Omit<z.infer<typeof schema>, 'page'> & { readonly page: Page };
declare module './edit' {
  interface EditTypes {
    readonly addPage: AddPage;
  }
}

/** Puts in a page with all that stands on it, at a place among the others. */
export const addPage: EditKind<AddPage> = {
  schema: schema as z.ZodType<AddPage>,
  apply(project, { page, ...place }) {
    if (project.pages.some(({ id }) => id === page.id)) throw new EditError('This page is there already.');
    if (project.pages.length >= LIMITS.pages) throw new EditError(`A project has at most ${LIMITS.pages} pages.`);
    return {
      document: { ...project, pages: project.pages.toSpliced(indexIn(idsOf(project.pages), place), 0, page) },
      inverse: { type: 'removePage', page: page.id },
    };
  },
  footprint: (_, __, { page }) => ({
    [page.id]: { elements: Object.keys(page.elements), properties: [], widths: ALL_WIDTHS, html: true },
  }),
  describe: (_, { page }) => `Add page ${page.name}`,
  anchor: ({ project }, edit) => anchored(idsOf(project.pages), edit),
};
