import fc from 'fast-check';
import { contains, fromIntegers, integersIn, intersect, normalise, subtract, union } from './interval';

const interval = fc
  .tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 20 }))
  .map(([from, length]) => ({ from: from / 2, below: from / 2 + length / 2 }));
const set = fc.array(interval, { maxLength: 6 });
const width = fc.integer({ min: 0, max: 200 }).map((value) => value / 4);

test('the algebra agrees with membership, point by point', () => {
  fc.assert(
    fc.property(set, set, width, (a, b, at) => {
      const inA = contains(a, at);
      const inB = contains(b, at);
      expect(contains(union(a, b), at)).toBe(inA || inB);
      expect(contains(intersect(a, b), at)).toBe(inA && inB);
      expect(contains(subtract(a, b), at)).toBe(inA && !inB);
    }),
  );
});

test('results are sorted, disjoint and do not touch', () => {
  fc.assert(
    fc.property(set, set, (a, b) => {
      for (const result of [normalise(a), union(a, b), intersect(a, b), subtract(a, b)]) {
        result.forEach((part, i) => {
          expect(part.from).toBeLessThan(part.below);
          if (i > 0) expect(part.from).toBeGreaterThan(result[i - 1]!.below);
        });
      }
    }),
  );
});

test('whole widths and cells are inverse to each other', () => {
  const widths = [320, 321, 322, 400, 1920];
  expect(fromIntegers(widths)).toEqual([
    { from: 320, below: 323 },
    { from: 400, below: 401 },
    { from: 1920, below: 1921 },
  ]);
  expect(integersIn(fromIntegers(widths), { first: 320, last: 1920 })).toEqual(widths);
});

test('a half-open edge belongs to exactly one side', () => {
  expect(integersIn([{ from: 0, below: 768 }], { first: 766, last: 770 })).toEqual([766, 767]);
  expect(integersIn([{ from: 768, below: Infinity }], { first: 766, last: 770 })).toEqual([768, 769, 770]);
  expect(integersIn([{ from: 766.5, below: 768.5 }], { first: 320, last: 770 })).toEqual([767, 768]);
});
