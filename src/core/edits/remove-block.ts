import { z } from 'zod';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { idsOf, placeOf } from './list-place';

const schema = z.strictObject({ type: z.literal('removeBlock'), id: z.string().max(30) });
type RemoveBlock = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly removeBlock: RemoveBlock;
  }
}

/** Forgets a block. Elements made from it stay. */
export const removeBlock: EditKind<RemoveBlock> = {
  schema,
  apply(project, { id }) {
    const index = project.blocks.findIndex((block) => block.id === id);
    if (index < 0) throw new EditError('This block has been removed already.');
    return {
      document: { ...project, blocks: project.blocks.toSpliced(index, 1) },
      inverse: { type: 'addBlock', block: project.blocks[index]!, ...placeOf(idsOf(project.blocks), id) },
    };
  },
  footprint: () => ({}),
  describe: (project, { id }) => `Remove block ${project.blocks.find((block) => block.id === id)?.name ?? ''}`,
};
