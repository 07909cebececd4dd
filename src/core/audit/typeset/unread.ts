import { Level, Unread } from '../codes';
import type { PageFacts } from '../facts';
import { SAME } from './same';

/* Text whose lines aren't worked out: it keeps its place in the block that holds it. */

/** A block this many times as high as its type may hold more than one line. */
const LINES_LEAST = 1.9;

/** The block in whose lines an element stands. */
export function blockOf({ level, elements }: PageFacts, element: number): number {
  let at = element;
  while (at > 0 && level[at] === Level.inline) at = elements[at]!.parent;
  return at;
}

/** Whether text whose lines aren't worked out stands on as many, and several at the same heights, in a block as high. */
export function standsAlike(element: number, a: PageFacts, b: PageFacts): boolean {
  const block = blockOf(a, element) * 4;
  const [x, y] = [a.lines[element]!, b.lines[element]!];
  if (x.length !== y.length) return false;
  // One line moves with its block, however high that is.
  if (x.length <= 4) return true;
  const same = (p: number, q: number) => Math.abs(p - a.boxes[block + 1]! - (q - b.boxes[block + 1]!)) < SAME;
  for (let at = 1; at < x.length; at += 2) if (!same(x[at]!, y[at]!)) return false;
  return same(a.boxes[block + 3]!, b.boxes[block + 3]!);
}

/** Whether what stands in lines like a letter lies as far down in its block, and is as high. */
export function liesAlike(element: number, a: PageFacts, b: PageFacts): boolean {
  const top = blockOf(a, a.elements[element]!.parent) * 4 + 1;
  return [1, 3].every((side) => {
    const [x, y] = [a, b].map(({ boxes }) => boxes[element * 4 + side]! - boxes[top]!);
    return Math.abs(x! - y!) < SAME;
  });
}

/** Of text whose lines aren't worked out, what stands on several: words may go from one to the other. */
export function looseIn(unread: Uint8Array, facts: PageFacts): Uint8Array {
  const { boxes, lines } = facts;
  const loose = new Uint8Array(unread.length);
  for (let i = 0; i < unread.length; i++) {
    if (unread[i] !== Unread.broken || lines[i]!.length === 0) continue;
    const block = blockOf(facts, i) * 4;
    const high = lines[i]![3]! - lines[i]![1]!;
    if (lines[i]!.length > 4 || boxes[block + 3]! - boxes[block + 1]! > high * LINES_LEAST) loose[i] = 1;
  }
  return loose;
}

/**
 * Of a text of whose lines it isn't known how far they reach: as far as they can, the block that they stand in, or further where they do so
 * at both ends. What is wrong with it can then only be found too often, and that is in doubt.
 * @param lines its own between the two measured viewports, to be corrected
 * @param boxes between the two, of which its own is corrected
 */
export function reachFarthest(
  element: number,
  a: PageFacts,
  b: PageFacts,
  share: number,
  lines: Float64Array,
  boxes: Float64Array,
): void {
  const block = blockOf(a, element) * 4;
  const reach = (side: number, most: (...values: number[]) => number) => {
    const far = ({ lines: all, boxes: around }: PageFacts) => {
      let result = around[block + side]!;
      for (let at = side; at < all[element]!.length; at += 4) result = most(result, all[element]![at]!);
      return result;
    };
    return far(a) + (far(b) - far(a)) * share;
  };
  const [left, right] = [reach(0, Math.min), reach(2, Math.max)];
  for (let at = 0; at < lines.length; at += 4) [lines[at], lines[at + 2]] = [left, right];
  if (a.level[element] === Level.inline) [boxes[element * 4], boxes[element * 4 + 2]] = [left, right];
}
