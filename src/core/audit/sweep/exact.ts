import { Pass } from './pass';
import { stretchesOf } from './stretches';
import type { Sweep, SweptPart } from './sweep';

/**
 * Decides what is wrong at every width asked for. What it says of a width that wasn't measured is worked out from measured ones
 * around it that agree that everything between them moves evenly; and where a check met a number too close to its limit, the
 * width is measured after all. A few of the others are measured too: where one says something else, the page is measured at
 * every width, and what was wrong is told.
 */
export function* sweepExactly(sweep: Sweep, widest: number): Generator<SweptPart> {
  const pass = new Pass(sweep, widest);
  const stretches = stretchesOf(sweep, widest);
  for (const stretch of stretches) {
    if (pass.everyWidth) break;
    yield* pass.decide(stretch);
  }
  if (pass.everyWidth) for (const stretch of stretches) yield* pass.measureAll(stretch);
}
