import { z } from 'zod';
import { LIMITS, namedGridSchema } from '../document/project';
import type { NamedGrid } from '../document/project';
import { removesFrom, savesInto } from './named-list';

const saveSchema = z.strictObject({
  type: z.literal('saveGrid'),
  grid: namedGridSchema,
  index: z.number().int().min(0).max(LIMITS.grids).optional(),
});
export type SaveGrid = z.infer<typeof saveSchema>;

const removeSchema = z.strictObject({ type: z.literal('removeGrid'), id: z.string().max(30) });
export type RemoveGrid = z.infer<typeof removeSchema>;

const list = {
  of: ({ grids }: { readonly grids: readonly NamedGrid[] }) => grids,
  put: <P extends object>(project: P, grids: readonly NamedGrid[]) => ({ ...project, grids }),
  most: LIMITS.grids,
  word: 'grid',
  save: (grid: NamedGrid, index: number) => ({ type: 'saveGrid' as const, grid, index }),
  remove: (id: string) => ({ type: 'removeGrid' as const, id }),
};

/** Keeps a column grid under a name. */
export const saveGrid = savesInto(list, saveSchema, ({ grid }) => grid);

/** Forgets a named grid. Where it has been laid it stays. */
export const removeGrid = removesFrom(list, removeSchema);
