import { z } from 'zod';
import { nameSchema } from '../text';
import type { EditKind } from './edit';
import { EditError, laterWins } from './edit';

const schema = z.strictObject({ type: z.literal('renameBlock'), id: z.string().max(30), name: nameSchema });
type RenameBlock = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly renameBlock: RenameBlock;
  }
}

export const renameBlock: EditKind<RenameBlock> = {
  schema,
  apply(project, { id, name }) {
    const before = project.blocks.find((block) => block.id === id);
    if (!before) throw new EditError('This block has been removed.');
    return {
      document: { ...project, blocks: project.blocks.map((block) => (block === before ? { ...block, name } : block)) },
      inverse: { type: 'renameBlock', id, name: before.name },
    };
  },
  footprint: () => ({}),
  describe: (_, { name }) => `Rename a block to ${name}`,
  merge: laterWins('id'),
};
