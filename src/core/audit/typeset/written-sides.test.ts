import fc from 'fast-check';
import { facts } from '../checks/facts-for-tests';
import type { PageFacts } from '../facts';
import { Shares } from './shares';
import type { Written, WrittenWidth } from './written-widths';
import { lengthIn } from './written-widths';

const NONE: Written = { share: 0, px: 0 };
const plain: WrittenWidth = { padding: [NONE, NONE], border: [0, 0], margin: [NONE, NONE], width: undefined };
const PERCENT = fc.integer({ min: 101, max: 2_400 }).map((hundredths) => ({ share: hundredths / 100, px: 0 }));

interface Layout {
  readonly around: readonly [Written, Written];
  readonly item: Written;
  readonly gap: number;
}

/** A row of three items, each as wide as a share of the room that paddings leave, with a text in the last. */
function row(width: number, { around: [left, right], item, gap }: Layout): PageFacts {
  const begin = lengthIn(left, width);
  const room = width - begin - lengthIn(right, width);
  const wide = lengthIn(item, room);
  const items = [0, 1, 2].map((i) => ({ id: `i${i}`, in: 'row', box: [begin + i * (wide + gap), 0, wide, 80] as const }));
  return facts(width, [
    { id: 'main', box: [0, 0, width, 100] },
    { id: 'row', in: 'main', box: [begin, 0, room, 100], flow: 'row' },
    ...items,
    { id: 'text', in: 'i2', box: [begin + 2 * (wide + gap) + 7, 0, wide - 14, 40] },
  ]);
}
const writtenOf = ({ around, item }: Layout) =>
  new Map<number, WrittenWidth>([
    [1, { ...plain, padding: around }],
    ...[3, 4, 5].map((i) => [i, { ...plain, width: item }] as const),
  ]);
const SIDES = [8, 10, 12, 14, 16, 18, 20, 22, 24, 26];
const told = (shares: Shares, width: number) => SIDES.map((side) => shares.at(side, width));

const layouts = fc.record({
  around: fc.tuple(PERCENT, fc.oneof(PERCENT, fc.constant({ share: 0, px: 24 }))),
  item: fc.oneof(
    PERCENT,
    fc.tuple(PERCENT, fc.integer({ min: -60, max: -1 })).map(([{ share }, px]) => ({ share: share + 9, px })),
  ),
  gap: fc.integer({ min: 0, max: 20 }),
});

test('sides that follow what is written are known at every width between measured ones, to the very 1/64 px', () => {
  fc.assert(
    fc.property(layouts, fc.integer({ min: 400, max: 1_500 }), (layout, first) => {
      const shares = new Shares(
        [0, 37, 90, 120].map((more) => row(first + more, layout)),
        false,
        writtenOf(layout),
      );
      const wrong = [];
      for (let width = first; width <= first + 120; width++) {
        const { boxes } = row(width, layout);
        const found = told(shares, width);
        if (found.some((one, i) => one !== undefined && Math.abs(one - boxes[SIDES[i]!]!) > 1e-6)) wrong.push(width);
        if (found.includes(undefined)) wrong.push(-width);
      }
      expect(wrong).toEqual([]);
    }),
    { numRuns: 80, seed: 20 },
  );
});

test('where a measured width isn’t as is written, nothing is said of that side, nor of what hangs on it', () => {
  const layout: Layout = { around: [{ share: 5.3, px: 0 }, NONE], item: { share: 23.7, px: 0 }, gap: 4 };
  const bent = row(737, layout);
  bent.boxes[4 * 4 + 2]! += 1 / 64;
  const shares = new Shares([row(700, layout), bent, row(820, layout)], false, writtenOf(layout));
  const known = SIDES.map((side, i) => [side, told(shares, 760)[i] !== undefined]);
  expect(known).toEqual([
    ...[8, 10, 12, 14, 16].map((side) => [side, true]),
    ...[18, 20, 22, 24, 26].map((side) => [side, false]),
  ]);
});

test('of a padding that isn’t known nothing follows', () => {
  const layout: Layout = { around: [{ share: 5.3, px: 0 }, NONE], item: { share: 23.7, px: 0 }, gap: 4 };
  const written = writtenOf(layout).set(1, { ...plain, padding: [undefined, NONE] });
  const shares = new Shares(
    [700, 737, 820].map((width) => row(width, layout)),
    false,
    written,
  );
  // Where the row ends doesn't hang on it.
  expect(SIDES.filter((_, i) => told(shares, 760)[i] !== undefined)).toEqual([10]);
});

/** An item of a row that is written to be as wide as a share of it, and is so wide. */
const item = (width: number, wide: number) =>
  facts(width, [
    { id: 'row', box: [0, 0, width, 100], flow: 'row' },
    { id: 'item', in: 'row', box: [10, 0, wide, 80] },
  ]);
const share = { share: 30, px: 0 };

test.each([
  ['shrunk, and grows by about as much', (width: number) => Math.trunc((width * 0.3016 - 211) * 64) / 64, false],
  ['as wide as that', (width: number) => lengthIn(share, width), true],
  ['as wide as that with its border', (width: number) => lengthIn(share, width) + 3, true],
])('an item with a share is %s: it is told of a few px only what is so', (_, wideIn, isTold) => {
  const written = new Map<number, WrittenWidth>([[2, { ...plain, border: [1, 2], width: share }]]);
  for (let first = 900; first < 1_000; first++) {
    const measured = [0, 3, 6].map((more) => item(first + more, wideIn(first + more)));
    const shares = new Shares(measured, false, written);
    for (let width = first; width <= first + 6; width++) {
      const right = shares.at(10, width);
      if (isTold || right !== undefined) expect([width, right]).toEqual([width, 10 + wideIn(width)]);
    }
  }
});
