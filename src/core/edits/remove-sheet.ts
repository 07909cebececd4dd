import { z } from 'zod';
import { sheetSchema } from '../document/project';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { idsOf, placeOf } from './list-place';
import { wholeFootprint } from './footprint';

const schema = z.strictObject({ type: z.literal('removeSheet'), id: sheetSchema.shape.id });
type RemoveSheet = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly removeSheet: RemoveSheet;
  }
}

export const removeSheet: EditKind<RemoveSheet> = {
  schema,
  apply(project, { id }) {
    const sheet = project.sheets.find((one) => one.id === id);
    if (!sheet) throw new EditError('This style sheet has been removed.');
    return {
      document: { ...project, sheets: project.sheets.filter((one) => one !== sheet) },
      inverse: { type: 'addSheet', sheet, ...placeOf(idsOf(project.sheets), id) },
    };
  },
  footprint: (_, after) => wholeFootprint(after),
  describe: (project, { id }) => `Remove style sheet ${project.sheets.find((one) => one.id === id)?.name ?? ''}`,
};
