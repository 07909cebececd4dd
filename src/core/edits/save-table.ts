import { z } from 'zod';
import { LIMITS } from '../document/limits';
import { listsIn } from '../document/parts';
import type { Project } from '../document/project';
import type { Table } from '../document/table';
import { tableIdSchema, tableSchema } from '../document/table';
import { treesOf } from '../document/tree';
import type { Footprint } from './edit';
import { mergeFootprints, structureFootprint } from './footprint';
import { placeFields } from './list-place';
import type { NamedList } from './named-list';
import { removesFrom, savesInto } from './named-list';

const saveSchema = z.strictObject({ type: z.literal('saveTable'), table: tableSchema, ...placeFields });
type SaveTable = z.infer<typeof saveSchema>;
const removeSchema = z.strictObject({ type: z.literal('removeTable'), id: tableIdSchema });
type RemoveTable = z.infer<typeof removeSchema>;
declare module './edit' {
  interface EditTypes {
    readonly saveTable: SaveTable;
    readonly removeTable: RemoveTable;
  }
}

/** The pages and parts that show rows of a table which isn't the same any more, or pictures that tables name, where those differ. */
export function tablesFootprint(before: Project, after: Project): Footprint {
  if (before.tables === after.tables && before.pictures === after.pictures) return {};
  const pictured = before.pictures !== after.pictures;
  const old = new Map(before.tables.map((one) => [one.id, one]));
  const now = new Map(after.tables.map((one) => [one.id, one]));
  return mergeFootprints(
    ...treesOf(after).map(({ id, elements }): Footprint => {
      const lists = listsIn(elements).filter((one) => {
        const { table, binds } = elements[one]!.list!;
        return old.get(table) !== now.get(table) || (pictured && binds.some(({ to }) => to === 'src'));
      });
      return lists.length > 0 ? structureFootprint(id, lists) : {};
    }),
  );
}

const list: NamedList<Table> = {
  of: ({ tables }) => tables,
  put: (project, tables) => ({ ...project, tables }),
  most: LIMITS.tables,
  word: 'table',
  save: (table, place) => ({ type: 'saveTable', table, ...place }),
  remove: (id) => ({ type: 'removeTable', id }),
  reaches: tablesFootprint,
};

/** Keeps a table: a new one, or another version of one that is there, with other columns, sets or rows. */
export const saveTable = savesInto(list, saveSchema, ({ table }: SaveTable) => table);

/** Forgets a table. Lists of it show their item once, until it is back. */
export const removeTable = removesFrom(list, removeSchema);
