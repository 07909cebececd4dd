import { z } from 'zod';
import type { EditKind } from './edit';
import { EditError } from './edit';

const schema = z.strictObject({ type: z.literal('removeGrid'), id: z.string().max(30) });
export type RemoveGrid = z.infer<typeof schema>;

/** Forgets a named grid. Where it has been laid it stays. */
export const removeGrid: EditKind<RemoveGrid> = {
  schema,
  apply(project, { id }) {
    const index = project.grids.findIndex((grid) => grid.id === id);
    if (index < 0) throw new EditError('This grid has been removed already.');
    return {
      document: { ...project, grids: project.grids.toSpliced(index, 1) },
      inverse: { type: 'saveGrid', grid: project.grids[index]!, index },
    };
  },
  footprint: () => ({}),
  describe: (project, { id }) => `Forget grid ${project.grids.find((grid) => grid.id === id)?.name ?? ''}`,
};
