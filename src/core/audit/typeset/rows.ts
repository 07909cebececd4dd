import { Rule } from '../codes';
import type { PageFacts } from '../facts';
import type { Typesetting } from './paragraph';

/** Items that share less height than this, px, don't stand in one row. */
const SHARED = 0.05;

/** The items of each row, from the first down. */
export type Rows = readonly (readonly number[])[];

/**
 * Which items stand in the same row: each is as high as its highest item, so that all of a row share heights with that one, and
 * those of two rows share none.
 * @returns by element with items side by side; undefined for an element with an item without height, which may belong anywhere
 */
export function rowsIn(
  { units, heights, rule }: Pick<Typesetting, 'units' | 'heights' | 'rule'>,
  { boxes }: Pick<PageFacts, 'boxes'>,
): ReadonlyMap<number, Rows | undefined> {
  const all = new Map<number, Rows | undefined>();
  for (let i = 0; i < rule.length; i++) if (rule[i] === Rule.beside) all.set(i, rowsOf(units[i]!, heights, boxes));
  return all;
}

function rowsOf(items: readonly number[], { above, below }: Typesetting['heights'], boxes: Float64Array): Rows | undefined {
  const reach = items
    .map((item) => ({ item, from: boxes[item * 4 + 1]! - above[item]!, to: boxes[item * 4 + 3]! + below[item]! }))
    .sort((a, b) => a.from - b.from);
  const rows: number[][] = [];
  let end = -Infinity;
  for (const { item, from, to } of reach) {
    if (to - from < SHARED) return undefined;
    if (from > end - SHARED) rows.push([]);
    rows.at(-1)!.push(item);
    end = Math.max(end, to);
  }
  return rows;
}

export const sameRows = (a: Rows | undefined, b: Rows | undefined): boolean =>
  a !== undefined &&
  b !== undefined &&
  a.length === b.length &&
  a.every((row, r) => row.length === b[r]!.length && row.every((item) => b[r]!.includes(item)));
