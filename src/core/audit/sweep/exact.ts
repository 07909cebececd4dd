import { Pass } from './pass';
import { stretchesOf } from './stretches';
import type { Sweep, SweptPart } from './sweep';

/**
 * Where more than this share of the widths had to be laid out, what is next to them is measured at every width: from one to the next it takes
 * half as long as by leaps.
 */
const DEAR = 0.75;
/** Shorter stretches, px, say nothing of those next to them. */
const LONG = 40;

/**
 * Decides what is wrong at every width asked for. What it says of a width that wasn't measured is worked out from measured ones
 * around it that agree that everything between them moves evenly; and where a check met a number too close to its limit, the
 * width is measured after all. A few of the others are measured too: where one says something else, the page is measured at
 * every width, and what was wrong is told.
 */
export function* sweepExactly(sweep: Sweep, widest: number): Generator<SweptPart> {
  const pass = new Pass(sweep, widest);
  const stretches = stretchesOf(sweep, widest);
  /** Widths at the ends of stretches of which nearly all had to be laid out. */
  const dear = new Set<number>();
  for (const stretch of stretches) {
    if (pass.everyWidth) break;
    const { first, last } = stretch;
    if (dear.has(first) || dear.has(last)) {
      yield* pass.measureAll(stretch);
      continue;
    }
    let layouts = 0;
    for (const part of pass.decide(stretch)) {
      layouts += part.layouts;
      yield part;
    }
    if (last - first >= LONG && layouts > (last - first) * DEAR) for (const end of [first, last]) dear.add(end);
  }
  if (pass.everyWidth) for (const stretch of stretches) yield* pass.measureAll(stretch);
}
