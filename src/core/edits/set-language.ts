import { z } from 'zod';
import { ALL_WIDTHS } from '../breakpoints/interval';
import { languageSchema } from '../document/page-fields';
import type { EditKind } from './edit';
import { laterWins } from './edit';

const schema = z.strictObject({ type: z.literal('setLanguage'), language: languageSchema });
type SetLanguage = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setLanguage: SetLanguage;
  }
}

/** The language of all pages that don't say another. */
export const setLanguage: EditKind<SetLanguage> = {
  schema,
  apply: (project, { language }) => ({
    document: { ...project, language },
    inverse: { type: 'setLanguage', language: project.language },
  }),
  footprint: (before) =>
    Object.fromEntries(
      before.pages
        .filter(({ language }) => language === undefined)
        .map(({ id, root }) => [id, { elements: [root], properties: [], widths: ALL_WIDTHS, html: true }]),
    ),
  describe: (_, { language }) => `Language of the project: ${language}`,
  merge: laterWins('type'),
};
