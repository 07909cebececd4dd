import type { SampleSet, Table } from '../document/table';
import { plural } from '../text';
import type { ReadRows } from './read-rows';

const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/**
 * A table with rows that were read, as another set of its, or in the place of one. Columns are found again by their names; new ones are added, and those
 * that the file hasn't got stay, empty. Nothing of other sets is lost.
 * @param into the set that gets them; a new one of that name where there is none
 */
export function takeRows(
  table: Table,
  { fields, rows, notes }: ReadRows,
  into: { readonly id: string; readonly name: string },
  newId: () => string,
): { readonly table: Table; readonly notes: readonly string[] } {
  const fresh = fields.filter((name) => !table.fields.some((field) => same(field.name, name)));
  const missing = table.fields.filter((field) => !fields.some((name) => same(field.name, name)));
  const columns = [...table.fields, ...fresh.map((name) => ({ id: `f${newId()}`, name }))];
  const from = columns.map((column) => fields.findIndex((name) => same(name, column.name)));
  const taken = rows.map((row) => from.map((at) => (at < 0 ? '' : row[at]!)));
  const wider = (set: SampleSet): SampleSet =>
    fresh.length === 0 ? set : { ...set, rows: set.rows.map((row) => [...row, ...fresh.map(() => '')]) };
  const sets = table.sets.map((set) => (set.id === into.id ? { ...set, rows: taken } : wider(set)));
  if (!table.sets.some(({ id }) => id === into.id)) sets.push({ id: into.id, name: into.name, rows: taken });
  return {
    table: { ...table, fields: columns, sets },
    notes: [
      `${plural(rows.length, 'row')} with ${plural(fields.length, 'column')}.`,
      ...(fresh.length > 0 ? [`New: ${fresh.join(', ')}.`] : []),
      ...(missing.length > 0 ? [`Not in the file, so empty: ${missing.map(({ name }) => name).join(', ')}.`] : []),
      ...notes,
    ],
  };
}

/** A table of what was read, and nothing else. */
export function tableOfRows(read: ReadRows, name: string, newId: () => string): Table {
  const fields = read.fields.map((one) => ({ id: `f${newId()}`, name: one }));
  return { id: `d${newId()}`, name, fields, sets: [{ id: `r${newId()}`, name: 'Usual', rows: read.rows }] };
}
