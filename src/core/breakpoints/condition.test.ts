import fc from 'fast-check';
import { bandsOf } from './bands';
import type { Breakpoint } from './breakpoint';
import { defaultOrder, hasCycle, inDefaultOrder, placed, takenBy } from './breakpoint';
import { cellsOf, slicesOf } from './cells';
import type { Condition } from './condition';
import { conditionInterval, conditionQuery, conditionSchema, describeCondition, holdsAt } from './condition';
import { contains } from './interval';
import type { Reader, Viewport } from './viewport';
import { MOTIONS, POINTERS, SCHEMES } from './viewport';

const size = fc.constantFrom(300, 600, 600.5, 900, 1200);
const parts = {
  from: size,
  below: size,
  heightFrom: size,
  heightBelow: size,
  orientation: fc.constantFrom('portrait' as const, 'landscape' as const),
  pointer: fc.constantFrom('mouse' as const, 'finger' as const),
};
const fitting = (one: Condition) => conditionSchema.safeParse(one).success;
const plain: fc.Arbitrary<Condition> = fc.record(parts, { requiredKeys: [] }).filter(fitting);
const arbitrary: fc.Arbitrary<Condition> = fc
  .record({ ...parts, pointer: fc.constantFrom(...POINTERS), unit: fc.constant('em' as const) }, { requiredKeys: [] })
  .filter(fitting);
/** With what only style sheets from elsewhere ask for. */
const imported: fc.Arbitrary<Condition> = fc
  .tuple(
    arbitrary,
    fc.record(
      {
        hover: fc.boolean(),
        scheme: fc.constantFrom(...SCHEMES),
        motion: fc.constantFrom(...MOTIONS),
        densityFrom: fc.constantFrom(1, 1.5, 2),
        densityBelow: fc.constantFrom(1.25, 3),
      },
      { requiredKeys: [] },
    ),
  )
  .map(([one, { densityBelow, ...reader }]) => ({
    ...one,
    unit: undefined,
    ...reader,
    ...((reader.densityFrom ?? 0) < (densityBelow ?? 9) && { densityBelow }),
  }));
const viewport = fc.record({
  width: fc.integer({ min: 200, max: 1400 }),
  height: fc.integer({ min: 200, max: 1400 }),
  pointer: fc.constantFrom(...POINTERS),
  scheme: fc.constantFrom(...SCHEMES),
  motion: fc.constantFrom(...MOTIONS),
  density: fc.constantFrom(1, 1.3, 1.5, 2, 3.5),
});
const named = (condition: Condition, i: number): Breakpoint => ({ id: `b${i}`, name: `B${i}`, condition });

test('a slice says the same as the plane', () => {
  fc.assert(
    fc.property(imported, fc.constantFrom(1, 1.5, 2), viewport, (condition, text, where) => {
      const at = { ...where, text };
      expect(contains([conditionInterval(condition, at)], at.width)).toBe(holdsAt(condition, at));
    }),
  );
});

test('every viewport lies in one cell, and in a cell the same conditions hold everywhere', () => {
  fc.assert(
    fc.property(fc.array(imported, { maxLength: 2 }), viewport, (conditions, at) => {
      // A density has no place of its own in a cell; the sample says what holds there.
      const dense = (one: Reader) =>
        conditions
          .map(({ densityFrom, densityBelow }) => holdsAt({ densityFrom, densityBelow }, { ...at, density: one.density }))
          .join();
      const cells = cellsOf(conditions).filter(
        ({ widths, heights, orientation, pointer, sample }) =>
          (sample.scheme === undefined || sample.scheme === at.scheme) &&
          (sample.motion === undefined || sample.motion === at.motion) &&
          (sample.density === undefined || dense(sample) === dense(at)) &&
          contains([widths], at.width) &&
          contains([heights], at.height) &&
          (!orientation || holdsAt({ orientation }, at)) &&
          (!pointer || pointer === at.pointer),
      );
      expect(new Set(cells.map(({ sample }) => sample.density)).size).toBe(cells.length);
      expect(cells.length).toBeGreaterThanOrEqual(1);
      const held = (sample: Viewport) => conditions.map((one) => holdsAt(one, sample));
      expect(held(cells[0]!.sample)).toEqual(held(at));
    }),
  );
});

test('slices show every combination that a cell has', () => {
  fc.assert(
    fc.property(fc.array(arbitrary, { maxLength: 3 }), (conditions) => {
      const set = { breakpoints: conditions.map(named), baseName: 'Base' };
      const seen = new Set(slicesOf(conditions).flatMap((slice) => bandsOf(set, slice).map(({ holds }) => holds.join())));
      for (const { sample } of cellsOf(conditions))
        expect(seen).toContain(
          set.breakpoints
            .filter((one) => holdsAt(one.condition, sample))
            .map(({ id }) => id)
            .join(),
        );
    }),
  );
});

test('in the default order, of two that nest the inner one comes later', () => {
  fc.assert(
    fc.property(
      plain,
      fc.array(fc.boolean(), { minLength: 6, maxLength: 6 }),
      fc.integer({ min: 0, max: 200 }),
      (a, drops, looser) => {
        // The outer one asks for less: edges further out, or nothing at all.
        const further = (part: string, edge: unknown) =>
          typeof edge !== 'number' ? edge : /below/i.test(part) ? edge + looser : edge - looser;
        const b = Object.fromEntries(
          Object.entries(a).flatMap(([part, edge], n) => (drops[n] ? [] : [[part, further(part, edge)]])),
        ) as Condition;
        fc.pre(fitting(b));
        const cells = cellsOf([a, b]);
        const inside = cells.every(({ sample }) => !holdsAt(a, sample) || holdsAt(b, sample));
        const outside = cells.some(({ sample }) => holdsAt(b, sample) && !holdsAt(a, sample));
        fc.pre(inside && outside && cells.some(({ sample }) => holdsAt(a, sample)));
        // Portrait says more than it seems where the widths are narrower than the heights: then both say the same.
        fc.pre(a.orientation === b.orientation);
        expect([named(a, 0), named(b, 1)].sort(defaultOrder).map(({ id }) => id)).toEqual(['b1', 'b0']);
      },
    ),
    { numRuns: 300 },
  );
});

test('words and queries', () => {
  const words = (condition: Condition) => [describeCondition(condition), conditionQuery(condition)];
  expect(words({ from: 768, below: 992 })).toEqual(['768 to 991', '(768px <= width < 992px)']);
  expect(words({ below: 768, unit: 'em' })).toEqual(['below 48 em', '(width < 48em)']);
  expect(words({ heightBelow: 500, orientation: 'landscape', pointer: 'finger' })).toEqual([
    '499 and shorter, landscape, finger',
    '(height < 500px) and (orientation: landscape) and (pointer: coarse)',
  ]);
  expect(words({ from: 900, heightFrom: 600, heightBelow: 800 })).toEqual([
    '900 and wider, 600 to 799 high',
    '(width >= 900px) and (600px <= height < 800px)',
  ]);
});

test('conditions across widths hold across bands, which keep their homes', () => {
  const set = { baseName: 'Wide', breakpoints: [named({ below: 600 }, 0), { ...named({ heightBelow: 500 }, 1), name: 'Short' }] };
  expect(bandsOf(set, { height: 450, pointer: 'mouse' }).map(({ name, home, holds }) => [name, home, holds])).toEqual([
    ['B0 and Short', 'b0', ['b0', 'b1']],
    ['Wide and Short', 'base', ['b1']],
  ]);
  expect(bandsOf(set).map(({ name }) => name)).toEqual(['B0', 'Wide']);
});

test('a changed order stays as it is when something is added or moved', () => {
  const [a, b, c] = [named({ below: 900 }, 0), named({ below: 600 }, 1), named({ below: 700 }, 2)];
  expect(placed([a!, b!], c!).map(({ id }) => id)).toEqual(['b0', 'b2', 'b1']);
  expect(inDefaultOrder([b!, a!])).toBe(false);
  expect(placed([b!, a!], { ...b!, condition: { below: 500 } }).map(({ id }) => id)).toEqual(['b1', 'b0']);
  expect(placed([a!, b!], c!, 2).map(({ id }) => id)).toEqual(['b0', 'b1', 'b2']);
});

test('taking over: each once, the nearest strongest; circles are seen', () => {
  const one = (id: string, also: string[]): Breakpoint => ({ id, name: id, condition: { from: 100 }, also });
  const set = [one('ba', []), one('bb', ['ba']), one('bc', ['ba', 'bb']), one('bd', ['bc', 'ba'])];
  expect(takenBy(set, 'bd')).toEqual(['bb', 'bc', 'ba', 'bd']);
  expect(hasCycle(set)).toBe(false);
  expect(hasCycle([one('ba', ['bb']), one('bb', ['ba'])])).toBe(true);
});

test('with min and max a condition ends just before its edge', () => {
  const query = (condition: Condition) => conditionQuery(condition, 'min-max');
  expect(query({ from: 600, below: 900 })).toBe('(min-width: 600px) and (max-width: 899.98px)');
  expect(query({ below: 768, unit: 'em' })).toBe('(max-width: 47.9988em)');
  expect(query({ heightBelow: 500, orientation: 'landscape' })).toBe('(max-height: 499.98px) and (orientation: landscape)');
  expect(query({ pointer: 'mouse' })).toBe(conditionQuery({ pointer: 'mouse' }));
});
