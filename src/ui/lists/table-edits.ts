import type { SampleSet, Table } from '@/core/document';
import { tableProblem } from '@/core/document';
import { freeName } from '@/core/plans';
import { readRows, rowsAsCsv, tableOfRows, takeRows, UnreadableRows } from '@/core/tables';
import { saveFile } from '../devices/save-file';
import { commitOrReport, report } from '../editing/edits';
import { useSession } from '../state/store';
import { key } from '../view/actions';

/** What the schema would refuse is said in its own words, without where in the document. */
function save(table: Table): boolean {
  const wrong = tableProblem(table);
  if (wrong === undefined) return commitOrReport({ type: 'saveTable', table });
  report(wrong);
  return false;
}

const open = (id: string, set?: string) => useSession.setState({ table: { id, set } });
const names = (list: readonly { readonly name: string }[]) => list.map(({ name }) => name);

export function addTable(): void {
  const { tables } = useSession.getState().project;
  const table: Table = {
    ...{ id: `d${key()}`, name: freeName(names(tables), 'Table') },
    fields: [{ id: `f${key()}`, name: 'Name' }],
    sets: [{ id: `r${key()}`, name: 'Usual', rows: [['']] }],
  };
  if (save(table)) open(table.id);
}

export const rename = (table: Table, name: string): boolean => save({ ...table, name });
export const removeTable = (table: Table): boolean => commitOrReport({ type: 'removeTable', id: table.id });

export function addField(table: Table): boolean {
  const fields = [...table.fields, { id: `f${key()}`, name: freeName(names(table.fields), 'Column') }];
  return save({ ...table, fields, sets: table.sets.map((set) => ({ ...set, rows: set.rows.map((row) => [...row, '']) })) });
}

export const renameField = (table: Table, id: string, name: string): boolean =>
  save({ ...table, fields: table.fields.map((field) => (field.id === id ? { ...field, name } : field)) });

export function removeField(table: Table, id: string): boolean {
  const at = table.fields.findIndex((field) => field.id === id);
  const without = <T>(list: readonly T[]) => list.filter((_, i) => i !== at);
  return save({
    ...table,
    fields: without(table.fields),
    sets: table.sets.map((set) => ({ ...set, rows: set.rows.map(without) })),
  });
}

/** Another set with the same rows, to be changed. */
export function copySet(table: Table, set: SampleSet): void {
  const copy = { id: `r${key()}`, name: freeName(names(table.sets), `${set.name}, copy`), rows: set.rows };
  if (save({ ...table, sets: [...table.sets, copy] })) open(table.id, copy.id);
}

export const renameSet = (table: Table, set: SampleSet, name: string): boolean =>
  save({ ...table, sets: table.sets.map((one) => (one === set ? { ...set, name } : one)) });

export function removeSet(table: Table, set: SampleSet): void {
  if (save({ ...table, sets: table.sets.filter((one) => one !== set) })) open(table.id);
}

export const writeCell = (table: Table, set: SampleSet, row: number, field: string, value: string): boolean =>
  commitOrReport({ type: 'setCells', table: table.id, set: set.id, cells: [{ row, field, value }] });

export const spliceRows = (
  table: Table,
  set: SampleSet,
  at: number,
  remove: number,
  insert: readonly (readonly string[])[],
): boolean => commitOrReport({ type: 'spliceRows', table: table.id, set: set.id, at, remove, insert });

/** What was copied of other tables, from a cell on: rows that aren't there are added. */
export function pasteCells(table: Table, set: SampleSet, row: number, column: number, text: string): boolean {
  const lines = text
    .replace(/\r?\n$/, '')
    .split(/\r?\n/)
    .map((line) => line.split('\t'));
  const most = Math.max(...lines.map(({ length }) => length));
  if (column + most > table.fields.length) {
    report(
      `What was copied has ${most} columns, and from this cell on the table has ${table.fields.length - column}. Nothing was changed.`,
    );
    return false;
  }
  const rows = lines.map((cells, i) => {
    const before = set.rows[row + i] ?? table.fields.map(() => '');
    return before.map((cell, at) => cells[at - column] ?? cell);
  });
  return spliceRows(table, set, row, Math.min(rows.length, set.rows.length - row), rows);
}

export interface TakenRows {
  readonly isFine: boolean;
  readonly words: string;
}

/**
 * Rows of a file come in: as another set of the table, in the place of one, or as a table of their own.
 * @param into undefined for a table of their own; a set to be replaced, or "new"
 */
export async function takeFile(
  file: File,
  into?: { readonly table: Table; readonly set: SampleSet | 'new' },
): Promise<TakenRows> {
  const name = file.name.replace(/\.\w+$/, '').slice(0, 70) || 'Rows';
  try {
    const read = readRows(await file.text());
    if (!into) {
      const table = tableOfRows(read, freeName(names(useSession.getState().project.tables), name), key);
      if (!save(table)) return { isFine: false, words: `${file.name} could not be taken in.` };
      open(table.id);
      return { isFine: true, words: [`${file.name}: ${read.rows.length} rows.`, ...read.notes].join(' ') };
    }
    const { table, set } = into;
    const target = set === 'new' ? { id: `r${key()}`, name: freeName(names(table.sets), name) } : set;
    const taken = takeRows(table, read, target, key);
    if (!save(taken.table)) return { isFine: false, words: `${file.name} could not be taken in.` };
    open(table.id, target.id);
    return { isFine: true, words: [`${file.name} into ${target.name}:`, ...taken.notes].join(' ') };
  } catch (error) {
    if (error instanceof UnreadableRows) return { isFine: false, words: `${file.name}: ${error.message} Nothing was changed.` };
    throw error;
  }
}

export const handOut = (table: Table, set: SampleSet): void =>
  saveFile(`${table.name}, ${set.name}.csv`, 'text/csv', rowsAsCsv(table, set));
