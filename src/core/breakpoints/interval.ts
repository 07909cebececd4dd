/**
 * A half-open stretch of viewport widths, `from <= width < below`, in CSS px.
 * Half-open stretches tile the axis: nothing falls between 767 and 768, whatever fraction a zoomed browser reports.
 */
export interface Interval {
  readonly from: number;
  /** Exclusive; `Infinity` where the stretch has no upper end. */
  readonly below: number;
}

/** A set of widths: sorted, disjoint, non-touching intervals. Every function here returns that normal form. */
export type IntervalSet = readonly Interval[];

export const ALL_WIDTHS: IntervalSet = [{ from: 0, below: Infinity }];
export const NO_WIDTHS: IntervalSet = [];

export function contains(set: IntervalSet, width: number): boolean {
  return set.some((interval) => interval.from <= width && width < interval.below);
}

export function normalise(intervals: IntervalSet): IntervalSet {
  const sorted = intervals.filter((interval) => interval.from < interval.below).sort((a, b) => a.from - b.from);
  const result: { from: number; below: number }[] = [];
  for (const interval of sorted) {
    const last = result[result.length - 1];
    if (last && interval.from <= last.below) last.below = Math.max(last.below, interval.below);
    else result.push({ ...interval });
  }
  return result;
}

export function union(...sets: IntervalSet[]): IntervalSet {
  return normalise(sets.flat());
}

export function intersect(a: IntervalSet, b: IntervalSet): IntervalSet {
  return normalise(a.flatMap((x) => b.map((y) => ({ from: Math.max(x.from, y.from), below: Math.min(x.below, y.below) }))));
}

export function subtract(a: IntervalSet, b: IntervalSet): IntervalSet {
  return normalise(b).reduce<IntervalSet>(
    (rest, cut) =>
      rest.flatMap((part) =>
        [
          { from: part.from, below: Math.min(part.below, cut.from) },
          { from: Math.max(part.from, cut.below), below: part.below },
        ].filter((piece) => piece.from < piece.below),
      ),
    normalise(a),
  );
}

export function sameSet(a: IntervalSet, b: IntervalSet): boolean {
  return a.length === b.length && a.every((x, i) => x.from === b[i]?.from && x.below === b[i]?.below);
}

/** Every whole number of px in the set that lies in `range` (both ends included), ascending. */
export function integersIn(set: IntervalSet, range: { first: number; last: number }): number[] {
  const result: number[] = [];
  for (const { from, below } of normalise(set)) {
    const end = Math.min(range.last, Math.ceil(below) - 1);
    for (let width = Math.max(range.first, Math.ceil(from)); width <= end; width++) result.push(width);
  }
  return result;
}

/** The set made of whole-pixel cells: widths 600 and 601 become 600 to below 602. */
export function fromIntegers(widths: readonly number[]): IntervalSet {
  return normalise(widths.map((width) => ({ from: width, below: width + 1 })));
}
