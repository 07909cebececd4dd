import fc from 'fast-check';
import { PLAIN_DENOMINATORS } from '../codes';
import { facts } from '../checks/facts-for-tests';
import type { PageFacts } from '../facts';
import { evenShares } from './flex-lines';
import { columnEnds } from './fr-columns';
import { Shares } from './shares';

const UNIT = 1 / 64;
const rounded = (px: number): number => Math.floor(px / UNIT) * UNIT;

type Share = readonly [count: number, denominator: number];

/** A box as wide as a share of the window less a gap, with one in it: each rounded to 1/64 px, as browsers do. */
function page(width: number, outer: Share, inner: Share, gap: number): PageFacts {
  const wide = rounded(((width - gap) * outer[0]) / outer[1]);
  const own = rounded(((wide - gap) * inner[0]) / inner[1]);
  return facts(width, [
    { id: 'outer', box: [gap, 0, wide, 100] },
    { id: 'inner', in: 'outer', box: [gap + wide - own, 0, own, 50] },
  ]);
}

const SIDES = [4, 6, 8, 10];
const plain = fc
  .constantFrom(...PLAIN_DENOMINATORS)
  .chain((denominator) => fc.integer({ min: 1, max: denominator }).map((count): Share => [count, denominator]));
const near = fc.constantFrom(48, 120, 256);

test('what is said of boxes between measured widths is so to the very 1/64 px, whatever their shares', () => {
  let known = 0;
  fc.assert(
    fc.property(
      fc.integer({ min: 320, max: 1500 }),
      near,
      plain,
      plain,
      fc.integer({ min: 0, max: 40 }),
      (first, span, outer, inner, gap) => {
        const at = (width: number) => page(width, outer, inner, gap);
        const widths = new Set([first, first + Math.floor(span / 3), first + span]);
        const shares = () => new Shares([...widths].sort((a, b) => a - b).map(at));
        for (let lacks = shares().lacks; lacks !== undefined; lacks = shares().lacks) {
          expect(widths).not.toContain(lacks);
          widths.add(lacks);
        }
        const all = shares();
        const wrong: number[] = [];
        for (let width = first; width <= first + span; width += 7) {
          const { boxes } = at(width);
          for (const side of SIDES) {
            const told = all.at(side, width);
            if (told !== undefined) known++;
            if (told !== undefined && Math.abs(told - boxes[side]!) > 1e-6) wrong.push(width);
          }
        }
        expect(wrong).toEqual([]);
      },
    ),
    { numRuns: 300, seed: 20 },
  );
  expect(known).toBeGreaterThan(10_000);
});

test('a third is known at all widths once it is measured at three, rounded in three ways, and once more', () => {
  const of = (...widths: number[]) => new Shares(widths.map((width) => page(width, [1, 3], [1, 1], 0)));
  expect(of(400, 600).at(6, 500)).toBeUndefined();
  const few = of(400, 502, 600);
  expect(few.lacks).toBe(503);
  expect(of(400, 502, 503, 600).at(6, 500)).toBe(page(500, [1, 3], [1, 1], 0).boxes[6]);
});

test('boxes that move by more than a share of the window aren’t known', () => {
  const bent = page(700, [1, 2], [1, 1], 0);
  bent.boxes[6]! += 3;
  const shares = new Shares([page(600, [1, 2], [1, 1], 0), bent, page(800, [1, 2], [1, 1], 0)]);
  expect(shares.at(6, 650)).toBeUndefined();
  // Nor is what stands in them.
  expect(shares.at(10, 650)).toBeUndefined();
});

test('items of a grid are known at all widths without measuring more, and what stands in them; where one isn’t as it would be, none is', () => {
  const ROOM = { gap: 24, padding: 10 };
  const grid = (width: number, off = 0) => {
    const ends = columnEnds([{ fr: 1 }, { fr: 1 }, { fr: 1 }], ROOM.gap, width - 2 * ROOM.padding);
    const items = ends.map((end, i) => {
      const begin = i === 0 ? 0 : ends[i - 1]! + ROOM.gap;
      return { id: `i${i}`, in: 'grid', box: [ROOM.padding + begin, 0, end - begin + (i === 2 ? off : 0), 80] as const };
    });
    const [left, , wide] = items[2]!.box;
    return facts(width, [
      { id: 'grid', box: [0, 0, width, 100], flow: 'grid', grid: ['repeat(3, minmax(0px, 1fr))', 3] },
      ...items,
      { id: 'text', in: 'i2', box: [left + 12, 0, wide - 24, 40] },
    ]);
  };
  const shares = new Shares([grid(1000), grid(1111), grid(1200)], false);
  expect(shares.lacks).toBeUndefined();
  for (let width = 1000; width <= 1200; width++) {
    const { boxes } = grid(width);
    for (const side of [8, 10, 12, 14, 16, 18, 20, 22])
      expect([width, side, shares.at(side, width)]).toEqual([width, side, boxes[side]]);
  }
  // The last one ends one unit before or with the grid: errors of floats say which.
  const apart = [1000, 1001, 1003, 1004].map((width) => width - ROOM.padding - grid(width).boxes[18]!);
  expect(new Set(apart)).toEqual(new Set([0, 1 / 64]));
  const bent = new Shares([grid(1000), grid(1111, 1), grid(1200)]);
  expect([bent.at(18, 1050), bent.at(22, 1050), bent.at(10, 1050)]).toEqual([undefined, undefined, undefined]);
});

test('items of a row that grow evenly beside one that stays are known, and what stands in them; where they aren’t told from others, only even rooms are', () => {
  const row = (width: number) => {
    const shares = evenShares(width - 200, 3);
    let at = 0;
    const items = [200, ...shares].map((wide, i) => ({
      id: `i${i}`,
      in: 'row',
      box: [(at += wide) - wide, 0, wide, 80] as const,
    }));
    const [left, , wide] = items[2]!.box;
    return facts(width, [
      { id: 'row', box: [0, 0, width, 100], flow: 'row' },
      ...items,
      { id: 'text', in: 'i2', box: [left + 12, 0, wide - 24, 40] },
    ]);
  };
  const told = (shares: Shares, width: number) => [8, 10, 12, 14, 16, 18, 20, 22, 24, 26].map((side) => shares.at(side, width));
  const shares = new Shares([row(1000), row(1111), row(1200)], false);
  for (let width = 1000; width <= 1200; width++)
    expect([width, told(shares, width)]).toEqual([width, [...row(width).boxes].slice(8, 28).filter((_, i) => i % 2 === 0)]);
  const even = new Shares([row(1001), row(1100), row(1199)], false);
  expect([told(even, 1100).includes(undefined), told(even, 1099).includes(undefined)]).toEqual([false, true]);
});
