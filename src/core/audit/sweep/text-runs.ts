import type { PageFacts } from '../facts';
import type { Typesetter } from '../typeset/typesetter';
import type { Starts, WorkedOut } from '../typeset/worked-out';
import { sameNumbers } from '../typeset/lines-at';
import { disagreement } from './disagreement';

/** Neighbouring widths at which every text is broken into the same lines, so that everything moves evenly. */
export interface TextRun {
  readonly from: number;
  readonly to: number;
  /** Facts at its ends, worked out or measured. */
  readonly first: PageFacts;
  readonly last: PageFacts;
  /** 1 for elements of whose lines it isn't known how far they reach. */
  readonly loose: Uint8Array;
}

/** A part of a stretch, and how its texts run; undefined where they aren't worked out. */
export interface TextPart {
  readonly from: number;
  readonly to: number;
  readonly runs: readonly TextRun[] | undefined;
}

/** Where it is looked whether it is as worked out, as shares of a part. */
const LOOKS = [0.44, 0.77] as const;
/** Parts no wider, px, are left to be measured. */
const SHORT = 8;
/** Where more than this share of the widths of a part aren't known, it is divided. */
const UNKNOWN_MOST = 0.3;

/**
 * Works out how texts run between two measured widths. Where what was worked out isn't so at a width that is looked at, the part is divided
 * there.
 * @param measured lays the page out, or says what is known of it
 */
export function* textParts(
  first: number,
  last: number,
  measured: (width: number) => PageFacts,
  typesetter: Typesetter,
): Generator<undefined, TextPart[]> {
  const parts: TextPart[] = [];
  function* part(from: number, to: number): Generator<undefined, void> {
    const asMeasured = () => void parts.push({ from, to, runs: undefined });
    if (to - from <= SHORT) return asMeasured();
    const looks = LOOKS.map((look) => Math.round(from + (to - from) * look));
    const between = typesetter.between(measured(from), measured(to));
    function* divide(at: number): Generator<undefined, void> {
      measured(at);
      yield;
      yield* part(from, at);
      yield* part(at, to);
    }
    if (!between) return to - from > SHORT * 4 ? yield* divide(looks[0]!) : asMeasured();
    const starts = Array.from({ length: to - from + 1 }, (_, i) => between.startsAt(from + i));
    const unknown = starts.filter((one) => !one).length;
    if (unknown > (to - from) * UNKNOWN_MOST) return asMeasured();
    let known = 0;
    for (const look of looks) {
      const begin = starts[look - from];
      const worked = begin && between.factsAt(look, begin);
      const facts = measured(look);
      yield;
      if (!worked) continue;
      known++;
      if (disagreement(worked, facts)) return yield* divide(look);
    }
    if (known === 0) return asMeasured();
    parts.push({ from, to, runs: yield* runsOf(from, to, starts, between, measured) });
  }
  yield* part(first, last);
  return parts;
}

function* runsOf(
  from: number,
  to: number,
  starts: readonly (Starts | undefined)[],
  between: WorkedOut,
  measured: (width: number) => PageFacts,
): Generator<undefined, TextRun[]> {
  const runs: TextRun[] = [];
  const ends = new Map([from, to].map((width) => [width, measured(width)]));
  const factsOf = (begin: Starts | undefined, width: number) => begin && between.factsAt(width, begin);
  function* at(width: number): Generator<undefined, PageFacts> {
    const known = ends.get(width) ?? factsOf(starts[width - from], width);
    if (known) return known;
    const facts = measured(width);
    yield;
    return facts;
  }
  for (let begin = from; begin <= to;) {
    let end = begin;
    while (end < to && isSame(starts[begin - from], starts[end + 1 - from])) end++;
    const first = yield* at(begin);
    runs.push({ from: begin, to: end, first, last: end > begin ? yield* at(end) : first, loose: between.loose });
    begin = end + 1;
  }
  return runs;
}

const isSame = (a: Starts | undefined, b: Starts | undefined) =>
  a !== undefined && b !== undefined && a.every((one, i) => one === b[i] || (one && b[i] && sameNumbers(one, b[i])));
