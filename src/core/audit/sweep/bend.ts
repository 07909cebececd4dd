import type { PageFacts } from '../facts';

/** Worked-out coordinates that differ by more from measured ones, px, don't lie on a line. */
const OFF = 0.1;
/** A place this near to a whole px is taken to be there, px. */
const WHOLE = 0.05;

/** Some coordinates of a page's boxes: whether an index in `boxes` is one of them. */
export type Coordinates = (index: number) => boolean;

/** Where to go on when measured widths don't lie on one line. */
export type Bend =
  /** There it bends, as it seems: at a whole px, or between two neighbours. */
  | { readonly at: readonly number[] }
  /** A width more would tell. */
  | { readonly look: number };

/** The coordinate that strays most from the line between the ends: an index in `boxes`. */
function mostStraying(points: readonly PageFacts[], counts: Coordinates | undefined): number | undefined {
  const [first, last] = [points[0]!, points[points.length - 1]!];
  const span = last.viewport.width - first.viewport.width;
  let [found, most] = [undefined as number | undefined, OFF];
  for (const { boxes, viewport } of points.slice(1, -1)) {
    const share = (viewport.width - first.viewport.width) / span;
    for (let i = 0; i < boxes.length; i++) {
      if (!first.shown[i >> 2] || (counts && !counts(i))) continue;
      const stray = Math.abs(first.boxes[i]! + (last.boxes[i]! - first.boxes[i]!) * share - boxes[i]!);
      if (stray > most) [found, most] = [i, stray];
    }
  }
  return found;
}

/**
 * Where a page that moves evenly on both sides of one width, as one does whose content grows up to a limit, has that width.
 * @param points at least three measured viewports, ascending, that show the same arrangement
 * @param counts coordinates that show it; all, where it isn't given
 * @returns undefined where it isn't one bend
 */
export function bendIn(points: readonly PageFacts[], counts?: Coordinates): Bend | undefined {
  const coordinate = mostStraying(points, counts);
  if (coordinate === undefined) return undefined;
  const at = points.map(({ viewport, boxes }) => [viewport.width, boxes[coordinate]!] as const);
  const slope = (i: number) => (at[i + 1]![1] - at[i]![1]) / (at[i + 1]![0] - at[i]![0]);
  const bent: number[] = [];
  for (let i = 1; i < at.length - 1; i++) {
    const [[x, p], [y, q], [z, r]] = [at[i - 1]!, at[i]!, at[i + 1]!];
    if (Math.abs(p + ((r - p) * (y - x)) / (z - x) - q) > OFF) bent.push(i);
  }
  const [i, other] = bent;
  if (i === undefined || bent.length > 2 || (other !== undefined && other !== i + 1)) return undefined;
  if (other === undefined) {
    // At the second or the last but one it may as well lie beyond.
    const [before, behind] = [i - 1, at.length - 2 - i];
    if (before > 0 && behind > 0) return { at: [at[i]![0]] };
    const [from, to] = before === 0 ? [at[0]![0], at[1]![0]] : [at[i]![0], at[i + 1]![0]];
    return to - from < 2 ? { at: [at[i]![0]] } : { look: Math.round((from + to) / 2) };
  }
  const [left, right] = [slope(i - 1), slope(other)];
  if (left === right) return undefined;
  const [[x, p], [y, q]] = [at[i]!, at[other]!];
  const place = (q - p + left * x - right * y) / (left - right);
  if (!(place > x && place < y)) return undefined;
  const near = Math.round(place);
  return { at: Math.abs(place - near) < WHOLE ? [near] : [Math.floor(place), Math.ceil(place)] };
}
