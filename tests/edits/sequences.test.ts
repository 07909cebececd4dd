import fc from 'fast-check';
import { EDIT_TYPES } from '@/core/edits';
import { Draw } from './draw';
import { newCounts, runSequence } from './sequences';

test('whatever is edited: the document loads, the log replays to it, undo leads back', () => {
  fc.assert(
    fc.property(fc.array(fc.nat(), { minLength: 4, maxLength: 30 }), (seeds) => runSequence(seeds, newCounts())),
    { numRuns: 5 },
  );
});

test('that holds for every kind of edit', () => {
  const counts = newCounts();
  const untaken = () => [...EDIT_TYPES].filter((type) => !counts.taken.has(type));
  const unrefused = () => [...EDIT_TYPES].filter((type) => !counts.refused.has(type)).length;
  for (let sequence = 0; sequence < 40 && (sequence < 3 || untaken().length > 0 || unrefused() >= 6); sequence++) {
    const draw = new Draw(sequence);
    runSequence(
      // The more there is to choose from, the sooner each kind has been taken.
      Array.from({ length: 60 }, () => Array.from({ length: 16 }, () => draw.below(2 ** 31))),
      counts,
    );
  }
  // A kind of edit that was never taken, or never refused, has not been tested.
  expect(untaken()).toEqual([]);
  expect(unrefused()).toBeLessThan(6);
});
