import { z } from 'zod';
import { partIdSchema } from '../document/use';
import { nameSchema } from '../text';
import type { EditKind } from './edit';
import { laterWins } from './edit';
import { requirePart } from './remove-part';

const schema = z.strictObject({ type: z.literal('renamePart'), part: partIdSchema, name: nameSchema });
type RenamePart = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly renamePart: RenamePart;
  }
}

export const renamePart: EditKind<RenamePart> = {
  schema,
  apply(project, { part: id, name }) {
    const before = requirePart(project, id);
    return {
      document: { ...project, parts: project.parts.map((part) => (part === before ? { ...part, name } : part)) },
      inverse: { type: 'renamePart', part: id, name: before.name },
    };
  },
  footprint: () => ({}),
  describe: (_, { name }) => `Rename a part to ${name}`,
  merge: laterWins('part'),
};
