import { z } from 'zod';
import { nameSchema } from '../document/element';
import type { EditKind } from './edit';
import { EditError } from './edit';

const schema = z.strictObject({ type: z.literal('renameBlock'), id: z.string().max(30), name: nameSchema });
export type RenameBlock = z.infer<typeof schema>;

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
};
