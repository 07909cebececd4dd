import { Aligned, Rule } from '../codes';
import type { Heights } from './heights';
import { settled } from './heights';
import { plainHeights } from './paragraph-for-tests';
import { rowsIn, sameRows } from './rows';

/** A row (1) in the body (0) with two items (2, 3), of which the second is a column with one that grows (4). */
const units = [[1], [2, 3], [], [4], []];
const RULES = [Rule.stack, Rule.beside, Rule.stack, Rule.stack, Rule.stack];

function page(change: (heights: Heights) => void = () => {}, rules: readonly number[] = RULES) {
  const heights = plainHeights(5);
  heights.align[2] = Aligned.middle;
  heights.align[3] = Aligned.stretched;
  heights.grows[3] = 4;
  change(heights);
  const { rule, slack } = settled(Uint8Array.from(rules), heights, units);
  return { rule: [...rule], slack: [...slack] };
}

test('what a row stretches may be higher than it asks for, and so may what grows in it', () => {
  expect(page()).toEqual({ rule: RULES, slack: [0, 0, 0, 1, 1] });
});

test('what is to be stretched and isn’t known takes its row with it, what isn’t stretched doesn’t', () => {
  const other = (at: number) => RULES.map((rule, i) => (i === at ? Rule.other : rule));
  expect(page(undefined, other(2)).rule).toEqual(other(2));
  expect(page(undefined, other(3)).rule[1]).toBe(Rule.other);
  // By what would grow in it.
  expect(page(undefined, other(4)).rule[1]).toBe(Rule.other);
  expect(page((heights) => (heights.rest[4] = NaN)).rule[1]).toBe(Rule.other);
  // It was only ever seen grown, whatever height it is given.
  expect(page((heights) => (heights.given[4] = 1)).rule[1]).toBe(Rule.other);
  expect(page((heights) => (heights.rest[2] = NaN)).rule).toEqual(RULES);
});

test('a least height is reached only where it is known what is below the content', () => {
  expect(page((heights) => (heights.least[2] = 40)).slack[2]).toBe(1);
  const unknown = page((heights) => {
    heights.least[2] = 40;
    heights.rest[2] = NaN;
  });
  expect(unknown.rule[2]).toBe(Rule.other);
});

test('items stand in one row where they share heights with its highest', () => {
  const items = { units: [[1, 2, 3, 4]], heights: plainHeights(5), rule: Uint8Array.of(Rule.beside, 0, 0, 0, 0) };
  // The highest first, one at its top, one at its bottom that share nothing with each other; then the next row.
  const tops = [0, 0, 0, 80, 100];
  const bottoms = [130, 100, 20, 100, 130];
  const boxes = Float64Array.from({ length: 20 }, (_, i) => [0, tops[i >> 2]!, 50, bottoms[i >> 2]!][i % 4]!);
  const rows = rowsIn(items, { boxes }).get(0);
  expect(rows).toEqual([[1, 2, 3], [4]]);
  expect(sameRows(rows, [[3, 2, 1], [4]])).toBe(true);
  expect(
    sameRows(rows, [
      [1, 2],
      [3, 4],
    ]),
  ).toBe(false);
  // What has no height may belong anywhere.
  boxes[2 * 4 + 3] = 0;
  expect(rowsIn(items, { boxes }).get(0)).toBeUndefined();
});
