import { z } from 'zod';
import { LIMITS } from '../document/limits';
import { blockSchema } from '../document/project';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { anchored, idsOf, indexIn, placeFields } from './list-place';

const schema = z.strictObject({ type: z.literal('addBlock'), block: blockSchema, ...placeFields });
type AddBlock = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly addBlock: AddBlock;
  }
}

/** Keeps a copy of elements, with all their overrides, to be put in again. */
export const addBlock: EditKind<AddBlock> = {
  schema,
  apply(project, { block, ...place }) {
    if (project.blocks.some(({ id }) => id === block.id)) throw new EditError('This block is there already.');
    if (project.blocks.length >= LIMITS.blocks) throw new EditError(`A project has at most ${LIMITS.blocks} blocks.`);
    return {
      document: { ...project, blocks: project.blocks.toSpliced(indexIn(idsOf(project.blocks), place), 0, block) },
      inverse: { type: 'removeBlock', id: block.id },
    };
  },
  footprint: () => ({}),
  describe: (_, { block }) => `Keep ${block.name} as a block`,
  anchor: ({ project }, edit) => anchored(idsOf(project.blocks), edit),
};
