import { z } from 'zod';
import { sheetSchema } from '../document/project';
import { requireRules } from './add-sheet';
import type { EditKind } from './edit';
import { EditError, laterWins } from './edit';
import { wholeFootprint } from './footprint';

const schema = z.strictObject({ type: z.literal('changeSheet'), id: sheetSchema.shape.id, css: sheetSchema.shape.css });
type ChangeSheet = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly changeSheet: ChangeSheet;
  }
}

/** Another text for a style sheet from elsewhere. */
export const changeSheet: EditKind<ChangeSheet> = {
  schema,
  apply(project, { id, css }) {
    const sheet = project.sheets.find((one) => one.id === id);
    if (!sheet) throw new EditError('This style sheet has been removed.');
    requireRules(css);
    return {
      document: { ...project, sheets: project.sheets.map((one) => (one === sheet ? { ...sheet, css } : one)) },
      inverse: { type: 'changeSheet', id, css: sheet.css },
    };
  },
  footprint: (_, after) => wholeFootprint(after),
  describe: (project, { id }) => `Change style sheet ${project.sheets.find((one) => one.id === id)?.name ?? ''}`,
  merge: laterWins('id'),
};
