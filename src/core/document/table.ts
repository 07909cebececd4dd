import { z } from 'zod';
import { nameSchema } from '../text';
import { LIMITS } from './limits';

export const tableIdSchema = z.string().regex(/^d[a-z0-9]{1,24}$/, 'Not a table id.');
export const fieldIdSchema = z.string().regex(/^f[a-z0-9]{1,24}$/, 'Not a field id.');
export const sampleIdSchema = z.string().regex(/^r[a-z0-9]{1,24}$/, 'Not an id of a sample set.');

export const cellSchema = z.string().max(LIMITS.cell, `A cell holds at most ${LIMITS.cell} characters.`);
export const rowSchema = z.array(cellSchema).max(LIMITS.fields).readonly();

/** One column of a table. */
export interface TableField {
  readonly id: string;
  readonly name: string;
}

/** Rows of a table that are shown together: short ones, long ones, none, one, many. */
export interface SampleSet {
  readonly id: string;
  readonly name: string;
  /** Each with a cell for every field, in the order of the fields. */
  readonly rows: readonly (readonly string[])[];
}

/** What lists are fed from. */
export interface Table {
  readonly id: string;
  readonly name: string;
  readonly fields: readonly TableField[];
  /** At least one; the first shows where nothing else is said. */
  readonly sets: readonly SampleSet[];
}

const namedTwice = (list: readonly { readonly id: string; readonly name: string }[]) =>
  list.find((one, i) => list.findIndex(({ id, name }) => id === one.id || name === one.name) < i)?.name;

/** What is wrong with a table, in words; undefined where nothing is. The schema, edits and the editor ask it alike. */
export function tableProblem({ name, fields, sets }: Pick<Table, 'name' | 'fields' | 'sets'>): string | undefined {
  if (fields.length === 0) return `The table ${name} has no column.`;
  if (fields.length > LIMITS.fields) return `A table has at most ${LIMITS.fields} columns.`;
  if (sets.length === 0) return `The table ${name} has no set of rows.`;
  if (sets.length > LIMITS.sampleSets) return `A table has at most ${LIMITS.sampleSets} sets of rows.`;
  const field = namedTwice(fields);
  if (field !== undefined) return `Two columns are called ${field}.`;
  const twice = namedTwice(sets);
  if (twice !== undefined) return `Two sets of rows are called ${twice}.`;
  for (const set of sets) {
    if (set.rows.length > LIMITS.rows)
      return `${set.name} has ${set.rows.length} rows; a set has at most ${LIMITS.rows}. Keep those that show something new.`;
    const ragged = set.rows.findIndex((row) => row.length !== fields.length);
    if (ragged >= 0)
      return `Row ${ragged + 1} of ${set.name} has ${set.rows[ragged]!.length} cells, and the table ${fields.length} columns.`;
  }
  return undefined;
}

export const tableSchema = z
  .strictObject({
    id: tableIdSchema,
    name: nameSchema,
    fields: z.array(z.strictObject({ id: fieldIdSchema, name: nameSchema })).readonly(),
    sets: z.array(z.strictObject({ id: sampleIdSchema, name: nameSchema, rows: z.array(rowSchema).readonly() })).readonly(),
  })
  .superRefine((table, context) => {
    const message = tableProblem(table);
    if (message !== undefined) context.addIssue({ code: 'custom', message });
  });

/** The set of that id; the first where it has gone or none is said. */
export const sampleOf = ({ sets }: Table, id: string | undefined): SampleSet => sets.find((one) => one.id === id) ?? sets[0]!;
