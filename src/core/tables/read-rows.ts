import Papa from 'papaparse';
import { LIMITS } from '../document/limits';
import { plural } from '../text';

/** Characters of a file of rows, at most. */
const TEXT_MOST = 20_000_000;

export interface ReadRows {
  readonly fields: readonly string[];
  /** Each with a cell for every field. */
  readonly rows: readonly (readonly string[])[];
  /** What was done to make it fit, in words. */
  readonly notes: readonly string[];
}

/** Rows that can't be read, with why and where. */
export class UnreadableRows extends Error {
  override readonly name = 'UnreadableRows';
}
const fail = (why: string): never => {
  throw new UnreadableRows(why);
};

/**
 * Rows from CSV (RFC 4180; commas, semicolons or tabs; a byte order mark is no matter; the first row names the columns), or from JSON:
 * a list of objects, or a list of lists of which the first names the columns.
 * @throws UnreadableRows with the row where something is wrong
 */
export function readRows(text: string): ReadRows {
  if (text.length > TEXT_MOST) fail(`A file of rows has at most ${TEXT_MOST / 1_000_000} million characters.`);
  const start = text.replace(/^\uFEFF/, '').trimStart();
  if (start === '') fail('There is nothing in this file.');
  const read = start.startsWith('[') || start.startsWith('{') ? fromJson(start) : fromCsv(start);
  if (read.rows.length > LIMITS.rows)
    fail(`It has ${read.rows.length} rows; a set has at most ${LIMITS.rows}. Keep those that show something new.`);
  if (read.fields.length > LIMITS.fields) fail(`It has ${read.fields.length} columns; a table has at most ${LIMITS.fields}.`);
  for (const [i, row] of read.rows.entries()) {
    const long = row.findIndex((cell) => cell.length > LIMITS.cell);
    if (long >= 0)
      fail(
        `Row ${i + 1}, ${read.fields[long]!}: a cell holds at most ${LIMITS.cell} characters, and this has ${row[long]!.length}.`,
      );
  }
  return read;
}

/** Names for columns: none empty, none twice, none too long. */
function named(given: readonly string[], notes: string[]): readonly string[] {
  const names: string[] = [];
  for (const [i, one] of given.entries()) {
    const wanted = one.trim().replace(/\s+/g, ' ').slice(0, 70) || `Column ${i + 1}`;
    let name = wanted;
    for (let n = 2; names.includes(name); n++) name = `${wanted}, ${n}`;
    if (name !== one.trim()) notes.push(`Column ${i + 1} is called ${name}.`);
    names.push(name);
  }
  return names;
}

function fromCsv(text: string): ReadRows {
  const { data, errors } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy', delimitersToGuess: [',', ';', '\t'] });
  const quotes = errors.find(({ type }) => type === 'Quotes');
  if (quotes)
    fail(`Line ${(quotes.row ?? 0) + 1}: a quotation mark is opened and not closed, or stands in the middle of a cell.`);
  const [head = [], ...rest] = data;
  return squared(head, rest, 2);
}

/** @param first the number of the first row as people count them in the file */
function squared(head: readonly string[], rest: readonly (readonly string[])[], first: number): ReadRows {
  const notes: string[] = [];
  const fields = named(head, notes);
  const wide = rest.findIndex((row) => row.length > fields.length && row.slice(fields.length).some((cell) => cell.trim() !== ''));
  if (wide >= 0)
    fail(
      `Row ${wide + first} has ${rest[wide]!.length} cells, and the first row names ${plural(fields.length, 'column')}. Is a quotation mark missing?`,
    );
  const short = rest.filter((row) => row.length < fields.length).length;
  if (short > 0) notes.push(`${plural(short, 'row')} had fewer cells than there are columns; the rest are empty.`);
  const rows = rest.map((row) => fields.map((_, i) => (row[i] ?? '').trim()));
  return { fields, rows, notes };
}

function fromJson(text: string): ReadRows {
  let input: unknown;
  try {
    input = JSON.parse(text);
  } catch (error) {
    return fail(`This is not readable as JSON: ${(error as Error).message}.`);
  }
  if (!Array.isArray(input)) return fail('The JSON must be a list of rows.');
  const list = input as unknown[];
  if (list.length === 0) return fail('There is nothing in this list.');
  if (list.every(Array.isArray)) {
    const [head, ...rest] = list.map((row, i) => row.map((cell, j) => inWords(cell, `Row ${i + 1}, cell ${j + 1}`)));
    return squared(head!, rest, 2);
  }
  const names: string[] = [];
  const known = new Set<string>();
  for (const [i, row] of list.entries()) {
    if (typeof row !== 'object' || row === null || Array.isArray(row)) return fail(`Row ${i + 1} is no object like the others.`);
    for (const name of Object.keys(row))
      if (!known.has(name)) {
        known.add(name);
        names.push(name);
      }
  }
  const rows = (list as Record<string, unknown>[]).map((row, i) =>
    names.map((name) => inWords(row[name], `Row ${i + 1}, ${name}`)),
  );
  return squared(names, rows, 1);
}

function inWords(value: unknown, where: string): string {
  if (value === null || value === undefined) return '';
  if (typeof value === 'object') return fail(`${where}: only texts, numbers, true and false can be in a cell.`);
  return String(value as string | number | boolean);
}
