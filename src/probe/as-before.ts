import { Level, Positioning } from '@/core/audit/codes';
import type { ElementFacts, PageFacts, StyleFacts } from '@/core/audit/facts';

/** What takes part in the layout of a table, not only of what it stands in. */
const OF_TABLES = new Set(['td', 'th', 'tr', 'thead', 'tbody', 'tfoot', 'caption']);

/**
 * Which elements lay out what stands in them by their own size alone (CSS 2.2, 10.1): nothing in them holds on to something
 * outside, and no float reaches into them. In the same band, as large as before, they look inside as they did.
 * @returns by element the index behind the last one that stands in it, 0 where it isn't so
 */
export function wholes(elements: readonly ElementFacts[], { level, position }: StyleFacts): Int32Array {
  const count = elements.length;
  const behind = Int32Array.from(elements, (_, i) => i + 1);
  if (level.includes(Level.float)) return behind.fill(0);
  for (let i = count - 1; i > 0; i--) {
    const { parent } = elements[i]!;
    if (parent >= 0) behind[parent] = Math.max(behind[parent]!, behind[i]!);
  }
  const leaves = new Uint8Array(count);
  for (let i = 1; i < count; i++) {
    if (position[i]! < Positioning.absolute) continue;
    for (let at = elements[i]!.parent; at >= 0; at = elements[at]!.parent) {
      if (position[i] === Positioning.absolute && position[at] !== Positioning.flow) break;
      leaves[at] = 1;
    }
  }
  return behind.map((end, i) => (leaves[i] || level[i] === Level.inline || OF_TABLES.has(elements[i]!.tag) ? 0 : end));
}

/** Whether a box is as large as it was, to what layout rounds to. */
export const isAsLarge = (boxes: Float64Array, before: Float64Array, at: number): boolean =>
  boxes[at + 2]! - boxes[at]! === before[at + 2]! - before[at]! &&
  boxes[at + 3]! - boxes[at + 1]! === before[at + 3]! - before[at + 1]!;

type Read = Pick<PageFacts, 'boxes' | 'shown' | 'lines' | 'broken'>;

/** All that stands in an element, and its own lines, as they were before, moved with it. */
export function copyMoved(into: Read & { readonly lines: Float64Array[] }, before: Read, element: number, behind: number): void {
  const [across, down] = [0, 1].map((side) => into.boxes[element * 4 + side]! - before.boxes[element * 4 + side]!);
  const moved = (from: Float64Array) =>
    (across === 0 && down === 0) || from.length === 0 ? from : from.map((value, at) => value + (at % 2 === 0 ? across! : down!));
  for (let i = element; i < behind; i++) {
    if (i > element) {
      // What has no box at all has none wherever the rest goes.
      const hasBox = before.boxes.subarray(i * 4, i * 4 + 4).some((side) => side !== 0);
      for (let side = 0; side < 4; side++)
        into.boxes[i * 4 + side] = before.boxes[i * 4 + side]! + (!hasBox ? 0 : side % 2 === 0 ? across! : down!);
    }
    into.shown[i] = before.shown[i]!;
    into.broken[i] = before.broken[i]!;
    into.lines.push(moved(before.lines[i]!));
  }
}
