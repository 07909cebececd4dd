import fc from 'fast-check';
import { EDIT_TYPES } from '@/core/edits';
import { newCounts, runSequence } from './sequences';

test('whatever is edited: the document loads, the log replays to it, undo leads back', () => {
  const counts = newCounts();
  fc.assert(
    fc.property(fc.array(fc.nat(), { minLength: 4, maxLength: 30 }), (seeds) => runSequence(seeds, counts)),
    { numRuns: 250 },
  );
  // A kind of edit that was never taken has not been tested.
  expect([...EDIT_TYPES].filter((type) => !counts.taken.has(type))).toEqual([]);
});
