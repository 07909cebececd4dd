import { z } from 'zod';
import { ALL_WIDTHS } from '../breakpoints/interval';
import type { Project } from '../document/project';
import { projectSchema } from '../document/project';
import type { EditKind } from './edit';
import { EditError, laterWins } from './edit';

const FIELDS = ['language', 'queries'] as const;

const schema = z.strictObject({ type: z.literal('setProject'), field: z.enum(FIELDS), value: z.string().max(100) });
type SetProject = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setProject: SetProject;
  }
}

/** What holds for the whole project: the language of pages that say no other, the syntax of media queries in the export. */
export const setProject: EditKind<SetProject> = {
  schema,
  apply(project, { field, value }) {
    const read = projectSchema.shape[field].safeParse(value);
    if (!read.success) throw new EditError(read.error.issues[0]!.message);
    return { document: { ...project, [field]: value } as Project, inverse: { type: 'setProject', field, value: project[field] } };
  },
  footprint: (before, _, { field }) =>
    Object.fromEntries(
      before.pages
        .filter(({ language }) => field === 'language' && language === undefined)
        .map(({ id, root }) => [id, { elements: [root], properties: [], widths: ALL_WIDTHS, html: true }]),
    ),
  describe: (_, { field, value }) =>
    field === 'language' ? `Language of the project: ${value}` : 'Syntax of media queries in the export',
  merge: laterWins('field'),
};
