import { z } from 'zod';
import { LIMITS } from '../document/limits';
import { namedGridSchema } from '../document/project';
import type { NamedGrid } from '../document/project';
import { placeFields } from './list-place';
import type { NamedList } from './named-list';
import { removesFrom, savesInto } from './named-list';

const saveSchema = z.strictObject({ type: z.literal('saveGrid'), grid: namedGridSchema, ...placeFields });
type SaveGrid = z.infer<typeof saveSchema>;
const removeSchema = z.strictObject({ type: z.literal('removeGrid'), id: z.string().max(30) });
type RemoveGrid = z.infer<typeof removeSchema>;
declare module './edit' {
  interface EditTypes {
    readonly saveGrid: SaveGrid;
    readonly removeGrid: RemoveGrid;
  }
}

const list: NamedList<NamedGrid> = {
  of: ({ grids }) => grids,
  put: (project, grids) => ({ ...project, grids }),
  most: LIMITS.grids,
  word: 'grid',
  save: (grid, place) => ({ type: 'saveGrid', grid, ...place }),
  remove: (id) => ({ type: 'removeGrid', id }),
};

/** Keeps a column grid under a name. */
export const saveGrid = savesInto(list, saveSchema, ({ grid }: SaveGrid) => grid);

/** Forgets a named grid. Where it has been laid it stays. */
export const removeGrid = removesFrom(list, removeSchema);
