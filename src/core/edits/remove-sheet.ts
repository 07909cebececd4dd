import { z } from 'zod';
import { sheetSchema } from '../document/project';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { wholeFootprint } from './footprint';

const schema = z.strictObject({ type: z.literal('removeSheet'), id: sheetSchema.shape.id });
export type RemoveSheet = z.infer<typeof schema>;

export const removeSheet: EditKind<RemoveSheet> = {
  schema,
  apply(project, { id }) {
    const sheet = project.sheets.find((one) => one.id === id);
    if (!sheet) throw new EditError('This style sheet has been removed.');
    return {
      document: { ...project, sheets: project.sheets.filter((one) => one !== sheet) },
      inverse: { type: 'addSheet', sheet, index: project.sheets.indexOf(sheet) },
    };
  },
  footprint: (_, after) => wholeFootprint(after),
  describe: (project, { id }) => `Remove style sheet ${project.sheets.find((one) => one.id === id)?.name ?? ''}`,
};
