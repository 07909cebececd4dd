import type { PageFacts } from '../facts';
import type { LineStarts, Starts } from '../typeset/line-starts';
import { sameNumbers } from '../typeset/lines-at';
import type { WorkedOut } from '../typeset/worked-out';

/** Neighbouring widths at which every text is broken into the same lines, so that everything moves evenly. */
export interface TextRun {
  readonly from: number;
  readonly to: number;
  /** Facts at its ends, worked out or measured. */
  readonly first: PageFacts;
  readonly last: PageFacts;
  /** 1 for elements of whose lines it isn't known how far they reach. */
  readonly loose: Uint8Array;
  /** Where words go from line to line within it, and nothing else is otherwise: facts at each width, worked out or measured; undefined where they aren't known. */
  readonly exact?: (width: number) => PageFacts | undefined;
  /** A width at which it isn't known how some text is broken: what it would be otherwise; undefined where that isn't known either. */
  readonly others?: readonly (() => PageFacts | undefined)[];
}

/** How the texts of a part run, worked out one after the other: thousands of elements at a thousand widths are too much to be kept. */
export type TextRuns = Generator<TextRun | undefined, void>;

/** At fewer widths it isn't worth while to judge ends by less than is known of them. */
const ALIKE_LEAST = 3;

/** How texts run between two measured widths. @param starts how they are broken at each */
export function* runsOf(
  from: number,
  to: number,
  lines: LineStarts,
  starts: readonly (Starts | undefined)[],
  between: WorkedOut,
  measured: (width: number) => PageFacts,
): TextRuns {
  const ends = new Map([from, to].map((width) => [width, measured(width)]));
  const known = (width: number, alone: boolean): PageFacts | undefined => {
    const begin = starts[width - from];
    return ends.get(width) ?? (begin && between.factsAt(width, begin, alone));
  };
  function* at(width: number, alone: boolean): Generator<undefined, PageFacts> {
    const facts = known(width, alone);
    if (facts) return facts;
    const laidOut = measured(width);
    yield;
    return laidOut;
  }
  const isEven = (width: number) =>
    isSame(starts[width - from], starts[width + 1 - from]) && lines.turnedBehind(width).length === 0;
  /** Widths at which all is broken alike. */
  function* evenRuns(first: number, last: number): TextRuns {
    for (let begin = first; begin <= last;) {
      let end = begin;
      while (end < last && isEven(end)) end++;
      // With nothing between them ends are judged by themselves.
      const alone = end - begin < 2;
      const [one, ...others] = starts[begin - from] || ends.has(begin) ? [] : (lines.waysAt(begin) ?? []);
      const way = one && between.factsAt(begin, one, true);
      const { loose } = between;
      if (way) {
        const ways = others.map((other) => () => between.factsAt(begin, other, true));
        yield { from: begin, to: begin, first: way, last: way, loose, others: ways };
      } else {
        const facts = yield* at(begin, alone);
        yield { from: begin, to: end, first: facts, last: end > begin ? yield* at(end, alone) : facts, loose };
      }
      begin = end + 1;
    }
  }
  /** Widths at which nothing but how far lines reach is otherwise. */
  function alikeRun(begin: number, end: number, moved: ReadonlySet<number>): TextRun | undefined {
    if (moved.size === 0 || end - begin + 1 < ALIKE_LEAST) return undefined;
    const [first, last] = [known(begin, false), known(end, false)];
    const loose = between.looseWith(moved);
    if (!first || !last || loose.some((one, i) => one && first.lines[i]!.length !== last.lines[i]!.length)) return undefined;
    return { from: begin, to: end, first, last, loose, exact: (width) => known(width, true) };
  }
  for (let begin = from; begin <= to;) {
    const moved = new Set<number>();
    let end = begin;
    for (let one = starts[end - from]; one && end < to; end++) {
      const next = starts[end + 1 - from];
      if (!next || !between.areAlike(one, next, moved)) break;
      for (const p of lines.turnedBehind(end)) moved.add(p);
      one = next;
    }
    const alike = alikeRun(begin, end, moved);
    if (alike) yield alike;
    else yield* evenRuns(begin, end);
    begin = end + 1;
  }
}

const isSame = (a: Starts | undefined, b: Starts | undefined) =>
  a !== undefined && b !== undefined && a.every((one, i) => one === b[i] || (one && b[i] && sameNumbers(one, b[i])));
