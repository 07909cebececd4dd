import fc from '../../../../tests/chance';
import type { PageFacts } from '../facts';
import { facts } from '../checks/facts-for-tests';
import { chance } from './chance';
import { SEEN, shownBy, unseenIn } from './looks';
import { runsBetween } from './runs';

const [FIRST, LAST] = [1000, 1128];

/** Divides the widths between two, and says of each run where it begins and ends, and what it took. */
function divided(page: (width: number) => PageFacts, outer?: { first: number; last: number }, seed = 1) {
  const asked = new Map<number, PageFacts>();
  const measured = (width: number) => {
    if (!asked.has(width)) asked.set(width, page(width));
    return asked.get(width)!;
  };
  const steps = runsBetween(FIRST, LAST, measured, chance(seed), outer);
  for (;;) {
    const { value, done } = steps.next();
    if (done) return { runs: value.map(({ widths }) => [widths[0]!, widths[widths.length - 1]!] as const), looks: asked.size };
  }
}

const box = (width: number, right: number, lines?: (readonly [number, number, number, number])[]) =>
  facts(width, [{ id: 'e1', box: [0, 0, right, 20], ...(lines && { lines }) }], width);

test('where content stops growing is found without halving', () => {
  fc.assert(
    fc.property(fc.double({ min: FIRST + 3, max: LAST - 3, noNaN: true }), fc.boolean(), (limit, grows) => {
      const page = (width: number) => box(width, grows ? Math.min(width, limit) : Math.max(width, limit));
      const { runs, looks } = divided(page);
      // No run reaches over the bend, except by a rounding.
      for (const [from, to] of runs) expect(Math.min(limit - from, to - limit)).toBeLessThan(0.5);
      expect(runs[0]![0]).toBe(FIRST);
      expect(runs.at(-1)![1]).toBe(LAST);
      expect(looks).toBeLessThanOrEqual(15);
    }),
    { numRuns: 200 },
  );
});

test('two bends in one stretch are found, too', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: FIRST + 12, max: LAST - 60 }),
      fc.integer({ min: 20, max: 45 }),
      fc.nat(),
      (low, span, seed) => {
        const page = (width: number) => box(width, Math.min(Math.max(width, low), low + span));
        for (const [from, to] of divided(page, undefined, seed).runs)
          for (const limit of [low, low + span]) expect(Math.min(limit - from, to - limit)).toBeLessThanOrEqual(0);
      },
    ),
    { numRuns: 200 },
  );
});

test('of what lies between two widths neither their neighbours nor two looks beside each other show more than one does', () => {
  expect(shownBy([], 100, 200)).toBe(0);
  expect(shownBy([101, 199], 100, 200)).toBe(0);
  expect(shownBy([148, 149], 100, 200)).toBe(1);
  expect(shownBy([144, 177], 100, 200)).toBe(2);
  expect(shownBy([101], 100, 102)).toBe(1);
});

test('a bend anywhere shows at one of the looks by the share that is reckoned with', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 3, max: 120 }),
      fc.array(fc.nat(1e6), { minLength: 1, maxLength: 4 }),
      fc.double({ min: 0.01, max: 0.99, noNaN: true }),
      fc.double({ min: 0, max: 0.999, noNaN: true }),
      (span, places, share, random) => {
        const looks = [...new Set(places.map((place) => 1 + (place % (span - 1))))].sort((a, b) => a - b);
        const more = unseenIn(looks, 0, span, () => random);
        if (more !== undefined) looks.push(more);
        const bend = share * span;
        const stray = (width: number) => (width < bend ? width / bend : (span - width) / (span - bend));
        const most = (widths: readonly number[]) => Math.max(...widths.map(stray));
        const all = Array.from({ length: span - 1 }, (_, i) => i + 1);
        expect(most(looks)).toBeGreaterThanOrEqual(SEEN * most(all) - 1e-9);
      },
    ),
    { numRuns: 500 },
  );
});

test('where a text needs a second line is guessed by the room that it has', () => {
  const needs = 1050.4;
  const page = (width: number) =>
    box(
      width,
      width,
      width < needs
        ? [
            [10, 0, width - 60, 16],
            [10, 16, 40, 16],
          ]
        : [[10, 0, needs - 20, 16]],
    );
  const { runs, looks } = divided(page);
  expect(runs).toEqual([
    [FIRST, 1050],
    [1051, LAST],
  ]);
  expect(looks).toBeLessThanOrEqual(8);
});

test('where type grows, a text that goes back and forth before it stays on its lines is followed', () => {
  fc.assert(
    fc.property(fc.oneof(fc.integer({ min: FIRST + 20, max: LAST - 20 }), fc.constant(FIRST)), fc.boolean(), (at, mirrored) => {
      const isTwo = (width: number) => {
        const away = mirrored ? FIRST + LAST - width - at : width - at;
        return away < 0 || away === 2 || away === 3;
      };
      const line = (top: number, width: number) => [0, top, width / 2, top + 16] as const;
      const page = (width: number) => {
        const lines = isTwo(width) ? [line(0, width), line(20, width)] : [line(0, width)];
        return facts(width, [{ id: 'e1', box: [0, 0, width, 40], lines, size: 16 + width / 1000 }], width);
      };
      const { runs } = divided(page, { first: FIRST - 1, last: LAST + 1 });
      const wrong = runs.filter(([from, to]) => {
        for (let width = from; width <= to; width++) if (isTwo(width) !== isTwo(from)) return true;
        return false;
      });
      expect(wrong).toEqual([]);
    }),
    { numRuns: 60 },
  );
});

test('where type grows, how wide anything is may be off by less than half a px', () => {
  let worst = 0;
  fc.assert(
    fc.property(
      fc.double({ min: FIRST + 3, max: LAST - 3, noNaN: true }),
      fc.double({ min: 0.2, max: 0.6, noNaN: true }),
      (limit, slope) => {
        const right = (width: number) => 400 + slope * Math.min(width, limit);
        const line = (width: number) => [0, 0, right(width) / 2, 16] as const;
        const page = (width: number) =>
          facts(width, [{ id: 'e1', box: [0, 0, right(width), 20], lines: [line(width)], size: 16 + width / 1000 }], width);
        for (const [from, to] of divided(page).runs) {
          for (let width = from; width <= to; width++) {
            const share = to === from ? 0 : (width - from) / (to - from);
            worst = Math.max(worst, Math.abs(right(from) + (right(to) - right(from)) * share - right(width)));
          }
        }
      },
    ),
    { numRuns: 100 },
  );
  expect(worst).toBeLessThan(0.5);
});
