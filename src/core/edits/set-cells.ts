import { z } from 'zod';
import { LIMITS } from '../document/limits';
import type { Project } from '../document/project';
import type { SampleSet, Table } from '../document/table';
import { cellSchema, fieldIdSchema, rowSchema, sampleIdSchema, tableIdSchema } from '../document/table';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { tablesFootprint } from './save-table';

const rowNumber = z.number().int().min(0).max(LIMITS.rows);
const cellsSchema = z.strictObject({
  type: z.literal('setCells'),
  table: tableIdSchema,
  set: sampleIdSchema,
  /** Rows from 0. */
  cells: z
    .array(z.strictObject({ row: rowNumber, field: fieldIdSchema, value: cellSchema }))
    .min(1)
    .max(LIMITS.rows * LIMITS.fields),
});
type SetCells = z.infer<typeof cellsSchema>;
const rowsSchema = z.strictObject({
  type: z.literal('spliceRows'),
  table: tableIdSchema,
  set: sampleIdSchema,
  at: rowNumber,
  /** How many go from there on. */
  remove: rowNumber,
  /** Which come in their place, each with a cell for every field. */
  insert: z.array(rowSchema).max(LIMITS.rows).readonly(),
});
type SpliceRows = z.infer<typeof rowsSchema>;
declare module './edit' {
  interface EditTypes {
    readonly setCells: SetCells;
    readonly spliceRows: SpliceRows;
  }
}

type Found = { readonly table: Table; readonly set: SampleSet };

/** @throws EditError when the table or the set has gone */
function requireSet(project: Project, tableId: string, setId: string): Found {
  const table = project.tables.find(({ id }) => id === tableId);
  if (!table) throw new EditError('The table this edit is about has been removed.');
  const set = table.sets.find(({ id }) => id === setId);
  if (!set) throw new EditError(`The set of rows this edit is about has been removed from ${table.name}.`);
  return { table, set };
}

function withRows(project: Project, { table, set }: Found, rows: SampleSet['rows']): Project {
  const sets = table.sets.map((one) => (one === set ? { ...set, rows } : one));
  return { ...project, tables: project.tables.map((one) => (one === table ? { ...table, sets } : one)) };
}

const setName = (project: Project, edit: { readonly table: string; readonly set: string }) => {
  const table = project.tables.find(({ id }) => id === edit.table);
  return `${table?.sets.find(({ id }) => id === edit.set)?.name ?? 'a set'} of ${table?.name ?? 'a table'}`;
};

/** Writes into cells of rows that are there. */
export const setCells: EditKind<SetCells> = {
  schema: cellsSchema,
  apply(project, { table: tableId, set: setId, cells }) {
    const found = requireSet(project, tableId, setId);
    const { table, set } = found;
    const rows = new Map<number, string[]>();
    const before: SetCells['cells'] = [];
    for (const { row, field, value } of cells) {
      const at = table.fields.findIndex(({ id }) => id === field);
      if (at < 0) throw new EditError(`The column this edit is about has been removed from ${table.name}.`);
      if (row >= set.rows.length) throw new EditError(`${set.name} of ${table.name} has no row ${row + 1} any more.`);
      const changed = rows.get(row) ?? [...set.rows[row]!];
      before.unshift({ row, field, value: changed[at]! });
      changed[at] = value;
      rows.set(row, changed);
    }
    return {
      document: withRows(
        project,
        found,
        set.rows.map((row, i) => rows.get(i) ?? row),
      ),
      inverse: { type: 'setCells', table: tableId, set: setId, cells: before },
    };
  },
  footprint: tablesFootprint,
  describe: (project, edit) =>
    edit.cells.length === 1
      ? `Change row ${edit.cells[0]!.row + 1} in ${setName(project, edit)}`
      : `Change ${edit.cells.length} cells in ${setName(project, edit)}`,
  merge: (earlier, later) => (sameCell(earlier, later) ? later : undefined),
};

const sameCell = (a: SetCells, b: SetCells) =>
  a.table === b.table &&
  a.set === b.set &&
  a.cells.length === 1 &&
  b.cells.length === 1 &&
  a.cells[0]!.row === b.cells[0]!.row &&
  a.cells[0]!.field === b.cells[0]!.field;

/** Takes rows out of a set, puts rows in, or both at the same place. */
export const spliceRows: EditKind<SpliceRows> = {
  schema: rowsSchema,
  apply(project, { table: tableId, set: setId, at, remove, insert }) {
    const found = requireSet(project, tableId, setId);
    const { table, set } = found;
    if (at + remove > set.rows.length) throw new EditError(`${set.name} of ${table.name} has only ${set.rows.length} rows.`);
    const odd = insert.find((row) => row.length !== table.fields.length);
    if (odd)
      throw new EditError(`A row with ${odd.length} cells doesn’t fit ${table.name}, which has ${table.fields.length} columns.`);
    const gone = set.rows.slice(at, at + remove);
    return {
      document: withRows(project, found, set.rows.toSpliced(at, remove, ...insert)),
      inverse: { type: 'spliceRows', table: tableId, set: setId, at, remove: insert.length, insert: gone },
    };
  },
  footprint: tablesFootprint,
  describe: (project, edit) => {
    const where = setName(project, edit);
    const count = (n: number) => (n === 1 ? 'a row' : `${n} rows`);
    if (edit.remove === 0) return `Put ${count(edit.insert.length)} into ${where}`;
    return edit.insert.length === 0
      ? `Take ${count(edit.remove)} out of ${where}`
      : `Put ${count(edit.insert.length)} in the place of ${count(edit.remove)} in ${where}`;
  },
};
