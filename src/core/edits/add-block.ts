import { z } from 'zod';
import { blockSchema, LIMITS } from '../document/project';
import type { Block } from '../document/project';
import type { EditKind } from './edit';
import { EditError } from './edit';

const schema = z.strictObject({
  type: z.literal('addBlock'),
  block: blockSchema,
  index: z.number().int().min(0).max(LIMITS.blocks).optional(),
});
export type AddBlock = z.infer<typeof schema>;

/** Keeps a copy of elements, with all their overrides, to be put in again. */
export const addBlock: EditKind<AddBlock> = {
  schema,
  apply(project, { block, index = project.blocks.length }) {
    if (project.blocks.some(({ id }) => id === block.id)) throw new EditError('This block is there already.');
    if (project.blocks.length >= LIMITS.blocks) throw new EditError(`A project has at most ${LIMITS.blocks} blocks.`);
    return {
      document: { ...project, blocks: project.blocks.toSpliced(index, 0, block as Block) },
      inverse: { type: 'removeBlock', id: block.id },
    };
  },
  footprint: () => ({}),
  describe: (_, { block }) => `Keep ${block.name} as a block`,
};
