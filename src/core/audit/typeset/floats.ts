import { Floating } from '../codes';
import type { Floats } from './float-gaps';
import { isShown, SAME } from './float-gaps';
import type { Typesetting } from './paragraph';
import type { Placing } from './placing';

const BOTH = Floating.left | Floating.right;

/** How far the floats of a context reach down that stand before an element, with their margins. */
function floorOf(floats: Floats, boxes: Float64Array, context: number, behind: number, sides: number): number {
  let floor = -Infinity;
  for (let f = 0; f < floats.element.length; f++) {
    const element = floats.element[f]!;
    if (element >= behind) break;
    if (floats.within[element] !== context || (floats.side[f]! & sides) === 0 || !isShown(boxes, element)) continue;
    floor = Math.max(floor, boxes[element * 4 + 3]! + floats.bottom[f]!);
  }
  return floor;
}

/** Places the floats before a unit of an element. @param cursor where what stands before them ends */
export function placeFloats(placing: Placing, parent: number, before: number, cursor: number): void {
  const { floats } = placing.page.set;
  const [a, b] = [placing.between.gapsA.floats, placing.between.gapsB.floats];
  if (!floats || !a || !b) return;
  for (let f = 0; f < floats.element.length; f++) {
    if (floats.parent[f] !== parent || floats.before[f] !== before || !isShown(placing.boxes, floats.element[f]!)) continue;
    const under = a.under[f]!;
    if (under !== b.under[f]) placing.failed = true;
    const from = under >= 0 ? placing.boxes[floats.element[under]! * 4 + 3]! : cursor;
    placing.place(floats.element[f]!, from + a.gap[f]! + (b.gap[f]! - a.gap[f]!) * placing.share);
  }
}

/** What lies below floats, or below what stands before it, whichever reaches further down. */
interface Cleared {
  /** Where what stands before it ends. */
  readonly cursor: number;
  /** From there to it, at both measured viewports. */
  readonly gaps: readonly [number, number];
  /** How far floats reach: between the two, and at both. */
  readonly floors: readonly [number, number, number];
  /** Where it lies at both. */
  readonly places: readonly [number, number];
  /** Margins that may be between, at most. */
  readonly most: number;
}

/** Where it lies between the two. */
function clear(placing: Placing, { cursor, gaps, floors, places, most }: Cleared): number {
  const [floor, ...ends] = floors;
  if (ends.every((one, i) => one < places[i]! - SAME)) {
    const place = cursor + gaps[0] + (gaps[1] - gaps[0]) * placing.share;
    if (Math.abs(gaps[0] - gaps[1]) > SAME && floor > place - SAME) placing.failed = true;
    return Math.max(place, floor);
  }
  const free = ends.findIndex((one, i) => one < places[i]! - SAME);
  if (free >= 0) return Math.max(cursor + gaps[free]!, floor);
  if (!(cursor + most <= floor + SAME)) placing.failed = true;
  return floor;
}

/** Where an element begins that may have to lie below floats. */
export function topBelowFloats(placing: Placing, element: number, cursor: number, gaps: readonly [number, number]): number {
  const { boxes, share, between } = placing;
  const { floats } = placing.page.set;
  const sides = floats?.clears[element] ?? 0;
  const natural = cursor + gaps[0] + (gaps[1] - gaps[0]) * share;
  if (!floats || sides === 0) return natural;
  const all = [boxes, between.a.facts.boxes, between.b.facts.boxes] as const;
  const floors = all.map((one) => floorOf(floats, one, floats.within[element]!, element, sides)) as [number, number, number];
  if (floors.every((one) => one === -Infinity)) return natural;
  const places = [all[1][element * 4 + 1]!, all[2][element * 4 + 1]!] as const;
  return clear(placing, { cursor, gaps, floors, places, most: floats.above[element]! });
}

/** Where an element ends that may have to reach below the floats in it. @param gaps from the end of what else stands in it to its own */
export function endBelowFloats(placing: Placing, element: number, cursor: number, gaps: readonly [number, number]): number {
  const { boxes, share, between, page } = placing;
  const { floats, behind } = page.set;
  const natural = cursor + gaps[0] + (gaps[1] - gaps[0]) * share;
  if (!floats || floats.holds[element] === 0) return natural;
  const all = [boxes, between.a.facts.boxes, between.b.facts.boxes] as const;
  const floors = all.map(
    (one) => floorOf(floats, one, floats.context[element]!, behind[element]!, BOTH) + floats.end[element]!,
  ) as [number, number, number];
  if (floors.every((one) => one === -Infinity)) return natural;
  const places = [all[1][element * 4 + 3]!, all[2][element * 4 + 3]!] as const;
  return clear(placing, { cursor, gaps, floors, places, most: floats.margin[element]! + floats.end[element]! });
}

/** Whether a float lies beside lines that are worked out, so that they would be narrower. @param lines by paragraph whether it has any */
export function narrowsAny({ floats, paragraphs }: Typesetting, boxes: Float64Array, lines: readonly unknown[]): boolean {
  if (!floats) return false;
  return paragraphs.some(({ block, insetLeft, insetRight }, p) => {
    if (!lines[p]) return false;
    const [left, top] = [boxes[block * 4]! + insetLeft, boxes[block * 4 + 1]!];
    const [right, bottom] = [boxes[block * 4 + 2]! - insetRight, boxes[block * 4 + 3]!];
    for (let f = 0; f < floats.element.length && floats.element[f]! < block; f++) {
      const element = floats.element[f]!;
      const at = element * 4;
      if (floats.within[element] !== floats.context[block] || !isShown(boxes, element)) continue;
      if (boxes[at + 3]! + floats.bottom[f]! <= top || boxes[at + 1]! - floats.top[f]! >= bottom) continue;
      const isLeft = floats.side[f] === Floating.left;
      if (isLeft ? boxes[at + 2]! + floats.right[f]! > left : boxes[at]! - floats.left[f]! < right) return true;
    }
    return false;
  });
}

/** How far floats reach that nothing on the page holds. */
export const freeFloor = (floats: Floats, boxes: Float64Array): number =>
  floats.holds[0] === 1 ? -Infinity : floorOf(floats, boxes, 0, Infinity, BOTH);
