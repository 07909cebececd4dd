import { z } from 'zod';
import { LIMITS } from '../document/limits';
import { sheetSchema } from '../document/project';
import { readSheet } from '../read';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { wholeFootprint } from './footprint';
import { anchored, idsOf, indexIn, placeFields } from './list-place';

const schema = z.strictObject({ type: z.literal('addSheet'), sheet: sheetSchema, ...placeFields });
type AddSheet = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly addSheet: AddSheet;
  }
}

/** @throws EditError when nothing in the text can be used as a style sheet. */
export function requireRules(css: string): void {
  const { rules, notes } = readSheet(css);
  if (rules.length > 0) return;
  const [first] = notes;
  throw new EditError(
    `There is no rule in this style sheet that can be used.${first ? ` Line ${first.line}: ${first.message}` : ''}`,
  );
}

/** A style sheet from elsewhere, below all that is written here. */
export const addSheet: EditKind<AddSheet> = {
  schema,
  apply(project, { sheet, ...place }) {
    if (project.sheets.some(({ id }) => id === sheet.id)) throw new EditError('This style sheet is there already.');
    if (project.sheets.length >= LIMITS.sheets)
      throw new EditError(`A project has at most ${LIMITS.sheets} style sheets from elsewhere.`);
    // What came with pages stays as it is, be it of use or not.
    if (sheet.file === undefined) requireRules(sheet.css);
    return {
      document: { ...project, sheets: project.sheets.toSpliced(indexIn(idsOf(project.sheets), place), 0, sheet) },
      inverse: { type: 'removeSheet', id: sheet.id },
    };
  },
  footprint: (_, after) => wholeFootprint(after),
  describe: (_, { sheet }) => `Bring in style sheet ${sheet.name}`,
  anchor: ({ project }, edit) => anchored(idsOf(project.sheets), edit),
};
