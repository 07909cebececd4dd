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

/** What lies further from the middle of both ends, px, halfway between them, doesn't move evenly: bent once in between it is off by no more than twice that. */
const BENT = 1 / 64;
/** The same where an end is measured, so that it is rounded. */
const BENT_AND_ROUNDED = 1 / 32;

type Ends = { readonly first: PageFacts; readonly last: PageFacts } | { readonly first?: undefined; readonly last?: undefined };

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
  function* at(width: number): Generator<undefined, PageFacts> {
    const facts = known(width, true);
    if (facts) return facts;
    const laidOut = measured(width);
    yield;
    return laidOut;
  }
  /**
   * How far from a width on all moves evenly: to the last one, or half as far, and so on. What is as high as the highest of several may not, nor lines that lie in the
   * middle of their room once they have any.
   * @returns the width, and facts at both ends if anything lies between them
   */
  function straightTo(begin: number, last: number, loose: Uint8Array): { readonly end: number } & Ends {
    for (let end = last; ; end = (begin + end) >> 1) {
      if (end - begin < 2) return { end };
      const middle = (begin + end) >> 1;
      const own = known(middle, false);
      const boxes = own?.boxes.slice();
      const lines = between.aligned.map((i) => own?.lines[i]!.slice());
      const [a, b] = [known(begin, false), known(end, false)];
      if (!boxes || !a || !b) continue;
      const share = (middle - begin) / (end - begin);
      const most = a.doubt && b.doubt ? BENT : BENT_AND_ROUNDED;
      const isBent = (x: Float64Array, y: Float64Array, z: Float64Array, isLoose: (at: number) => boolean) =>
        y.some((value, at) => !(Math.abs(x[at]! + (z[at]! - x[at]!) * share - value) <= most) && !(at % 2 === 0 && isLoose(at)));
      if (isBent(a.boxes, boxes, b.boxes, (at) => loose[at >> 2] === 1)) continue;
      const isStraight = between.aligned.every((i, at) => !isBent(a.lines[i]!, lines[at]!, b.lines[i]!, () => loose[i] === 1));
      if (isStraight) return { end, first: a, last: b };
    }
  }
  const isEven = (width: number) =>
    isSame(starts[width - from], starts[width + 1 - from]) && lines.turnedBehind(width).length === 0;
  /** Widths at which all is broken alike. */
  function* evenRuns(first: number, last: number): TextRuns {
    const { loose } = between;
    for (let begin = first; begin <= last;) {
      let end = begin;
      while (end < last && isEven(end)) end++;
      const straight = straightTo(begin, end, loose);
      ({ end } = straight);
      if (straight.first) {
        yield { from: begin, to: end, first: straight.first, last: straight.last, loose };
        begin = end + 1;
        continue;
      }
      // With nothing between them ends are judged by themselves.
      const [one, ...others] = starts[begin - from] || ends.has(begin) ? [] : (lines.waysAt(begin) ?? []);
      const way = one && between.factsAt(begin, one, true);
      if (way) {
        const ways = others.map((other) => () => between.factsAt(begin, other, true));
        yield { from: begin, to: begin, first: way, last: way, loose, others: ways };
      } else {
        const facts = yield* at(begin);
        yield { from: begin, to: end, first: facts, last: end > begin ? yield* at(end) : facts, loose };
      }
      begin = end + 1;
    }
  }
  /** The last width up to which nothing but how far lines reach is otherwise, and the paragraphs in which it is. */
  function alikeTo(begin: number, last: number): { readonly end: number; readonly moved: ReadonlySet<number> } {
    const moved = new Set<number>();
    let end = begin;
    for (let one = starts[end - from]; one && end < last; end++) {
      const next = starts[end + 1 - from];
      if (!next || !between.areAlike(one, next, moved)) break;
      for (const p of lines.turnedBehind(end)) moved.add(p);
      one = next;
    }
    return { end, moved };
  }
  for (let begin = from; begin <= to;) {
    const all = alikeTo(begin, to);
    const { end, first, last } = straightTo(begin, all.end, between.looseWith(all.moved));
    const { moved } = end < all.end ? alikeTo(begin, end) : all;
    const loose = moved.size > 0 ? between.looseWith(moved) : between.loose;
    const isAlike = first && loose.every((one, i) => !one || first.lines[i]!.length === last.lines[i]!.length);
    if (!isAlike) yield* evenRuns(begin, end);
    else if (moved.size === 0) yield { from: begin, to: end, first, last, loose };
    else yield { from: begin, to: end, first, last, loose, exact: (width) => known(width, true) };
    begin = end + 1;
  }
}

const isSame = (a: Starts | undefined, b: Starts | undefined) =>
  a !== undefined && b !== undefined && a.every((one, i) => one === b[i] || (one && b[i] && sameNumbers(one, b[i])));
