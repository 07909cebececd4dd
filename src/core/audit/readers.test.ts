import fc from 'fast-check';
import { facts } from './checks/facts-for-tests';
import type { Off } from './facts';
import { areaExceeds, exceeds } from './readers';
import { Trace } from './trace';

const page = facts(600, [{ id: 'a', box: [0, 0, 10, 10] }]);
/** A whole number of 1/64 px, as browsers lay out. */
const units = fc.integer({ min: 0, max: 4_000_000 }).map((count) => count / 64);

test('what is at a limit is so in whatever order it was added up', () => {
  fc.assert(
    fc.property(
      fc.array(units, { minLength: 2, maxLength: 12 }),
      fc.double({ min: 0.1, max: 0.9, noNaN: true }),
      (parts, share) => {
        const sum = parts.reduce((all, one) => all + one, 0);
        // As it is between two widths, and as it is measured.
        const worked = parts.reduce((all, one) => all + one * share + one * (1 - share), 0);
        const says = [sum, worked].map((value) => {
          const trace = new Trace();
          return [
            exceeds({ ...page, trace }, value, sum),
            exceeds({ ...page, trace }, sum, value),
            [...trace.margins.subarray(0, 2)].map(Math.sign),
          ];
        });
        expect(says[0]).toEqual(says[1]);
      },
    ),
    { seed: 3, numRuns: 500 },
  );
});

test('a unit of layout above a limit is above it', () => {
  expect(exceeds(page, 24 + 1 / 64, 24)).toBe(true);
  expect(exceeds(page, 24, 24)).toBe(false);
  expect(areaExceeds(page, (24 + 1 / 128) ** 2, 576, 24)).toBe(true);
});

test('where positions are known better, less of what is near to a limit is in doubt', () => {
  const isDoubtful = (above: number, off?: Off) => {
    const trace = new Trace();
    exceeds({ ...page, trace, doubt: { loose: new Uint8Array(1), sized: false, off } }, 24 + above, 24);
    return trace.isDoubtful(0, trace.length);
  };
  expect([0.2, 0.3].map((above) => isDoubtful(above))).toEqual([true, false]);
  expect([0.05, 0.2].map((above) => isDoubtful(above, { across: 0.03, down: 0.1 }))).toEqual([true, false]);
});
