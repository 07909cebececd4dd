import fc from 'fast-check';
import { Evenly, evenly } from './evenly';

function through(numbers: readonly number[]) {
  const column = new Evenly();
  for (const one of numbers) column.add(one);
  return { list: column.list, out: evenly(column.list) };
}

const stretch = fc.record({
  count: fc.integer({ min: 1, max: 700 }),
  from: fc.double({ min: -3_000, max: 3_000, noNaN: true }),
  step: fc.oneof(fc.constant(0), fc.double({ min: -5, max: 5, noNaN: true })),
});

test('numbers come out as they went in, to a thousandth, and whole ones to the last digit', () => {
  let [most, count] = [0, 0];
  fc.assert(
    fc.property(fc.array(stretch, { minLength: 1, maxLength: 8 }), fc.boolean(), (stretches, isWhole) => {
      const numbers = stretches
        .flatMap(({ count, from, step }) => Array.from({ length: count }, (_, i) => from + step * i))
        .map((one) => (isWhole ? Math.round(one) : one));
      const { list, out } = through(numbers);
      expect(out).toHaveLength(numbers.length);
      numbers.forEach((one, i) => (most = Math.max(most, isWhole && one !== out[i] ? 1 : Math.abs(one - out[i]!))));
      if (!isWhole) count += list.length / 3 - 2 * stretches.length;
    }),
    { numRuns: 300 },
  );
  expect(most).toBeLessThan(1e-3);
  // A stretch that moves evenly is one, or two where the end of the one before goes along.
  expect(count).toBeLessThan(0);
});

test('what stays the same, and what is more by the same each time, is said once', () => {
  expect(through([80, 80, 80, 81]).list).toEqual([3, 80, 0, 1, 81, 0]);
  expect(through([0.5, 1.25, 2, 2.75]).list).toEqual([4, 0.5, 0.75]);
  expect(through([]).out).toEqual([]);
});
