import { LIMITS } from '../document/limits';
import type { SampleSet } from '../document/table';

type Rows = SampleSet['rows'];

/** How many rows "many" has at least. */
const MANY = 24;

const firstWord = (text: string) => /\S+/.exec(text)?.[0] ?? '';

/** A text as long as three of it, and with a word that can't be broken. */
function lengthened(text: string): string {
  if (text === '') return text;
  const longest = text.split(/\s+/).reduce((a, b) => (b.length > a.length ? b : a), '');
  return `${[text, text, text].join(' ')} ${longest.repeat(2)}`.slice(0, LIMITS.cell);
}

/**
 * Sets of rows to try a list with: as they are, none, one, many, short and long ones.
 * @param texts which columns are read as texts; links and pictures stay as they are
 */
export function samplesOf(rows: Rows, texts: readonly boolean[]): readonly Omit<SampleSet, 'id'>[] {
  const each = (change: (text: string) => string): Rows =>
    rows.map((row) => row.map((cell, i) => (texts[i] ? change(cell) : cell)));
  const many = rows.length === 0 ? [] : Array.from({ length: Math.max(MANY, rows.length * 2) }, (_, i) => rows[i % rows.length]!);
  return [
    { name: 'Usual', rows },
    { name: 'Short', rows: each(firstWord) },
    { name: 'Long', rows: each(lengthened) },
    { name: 'None', rows: [] },
    { name: 'One', rows: rows.slice(0, 1) },
    { name: 'Many', rows: many.slice(0, LIMITS.rowsShown) },
  ];
}
