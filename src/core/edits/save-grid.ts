import { z } from 'zod';
import { LIMITS, namedGridSchema } from '../document/project';
import type { EditKind } from './edit';
import { EditError } from './edit';

const schema = z.strictObject({
  type: z.literal('saveGrid'),
  grid: namedGridSchema,
  index: z.number().int().min(0).max(LIMITS.grids).optional(),
});
export type SaveGrid = z.infer<typeof schema>;

/** Keeps a column grid under a name; one of the same id is replaced. */
export const saveGrid: EditKind<SaveGrid> = {
  schema,
  apply(project, { grid, index = project.grids.length }) {
    const same = project.grids.findIndex(({ id }) => id === grid.id);
    if (project.grids.some(({ id, name }) => id !== grid.id && name === grid.name))
      throw new EditError(`There is a grid called ${grid.name} already.`);
    if (same < 0 && project.grids.length >= LIMITS.grids)
      throw new EditError(`A project has at most ${LIMITS.grids} named grids.`);
    return {
      document: { ...project, grids: project.grids.toSpliced(same < 0 ? index : same, same < 0 ? 0 : 1, grid) },
      inverse:
        same < 0 ? { type: 'removeGrid', id: grid.id } : { type: 'saveGrid', grid: project.grids[same]!, index: same },
    };
  },
  footprint: () => ({}),
  describe: (_, { grid }) => `Keep grid ${grid.name}`,
};
