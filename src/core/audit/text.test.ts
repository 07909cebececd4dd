import fc from 'fast-check';
import { facts } from './checks/facts-for-tests';
import { countLines, linesAtMost, textBlocks } from './text';

const TYPE = 16;
/** Pieces of text, each so much lower than the one before: some on its line, some on the next, as near to it as one may be. */
const pieces = fc.array(fc.tuple(fc.constantFrom(0, 9, 9, 10, 16, 20), fc.constantFrom(TYPE, TYPE, TYPE, 20, 40)), {
  minLength: 1,
  maxLength: 30,
});

test('a text that surely stands on no more than so many lines doesn’t', () => {
  let sure = 0;
  fc.assert(
    fc.property(pieces, fc.integer({ min: -2, max: 30 }), (lower, more) => {
      let top = 0;
      const lines = lower.map(([by, high]) => [0, (top += by), 100, high] as const);
      const page = facts(400, [{ id: 'p', box: [0, 0, 300, 300], lines }]);
      const count = countLines(page, [page.lines[1]!]);
      const isSure = linesAtMost(page, textBlocks(page)[0]!, count + more);
      if (more < 0) expect(isSure).toBe(false);
      if (isSure) sure++;
    }),
    { numRuns: 1000 },
  );
  expect(sure).toBeGreaterThan(50);
});
