import type { LinesAt } from './lines-at';
import type { MeasuredTexts } from './measured-texts';
import type { Page } from './page';
import type { Paragraph } from './paragraph';
import type { Between } from './stack';

/** Distances that should be the same and differ by more, px, aren't. */
export const SAME = 0.05;

/** By element room for all its lines. */
export function rowsOf(all: readonly (LinesAt | undefined)[], worked: Uint8Array): (Float64Array | undefined)[] {
  const counts = new Int32Array(worked.length);
  for (const one of all) {
    if (!one) continue;
    for (let i = 0; i < one.count; i++) if (one.element[i]! >= 0) counts[one.element[i]!]!++;
  }
  // One piece of memory for all: thousands of small ones take longer than all that is worked out for them.
  const room = new Float64Array(counts.reduce((sum, count) => sum + count * 4, 0));
  let end = 0;
  return Array.from(counts, (count) => (count > 0 ? room.subarray(end, (end += count * 4)) : undefined));
}

/** Moves what stands in lines like a letter, and all in it, to its place; whether it is the same at both ends. */
export function placeAtoms(
  { set, inside }: Page,
  { a, b }: Between,
  all: readonly (LinesAt | undefined)[],
  tops: readonly (Float64Array | undefined)[],
  boxes: Float64Array,
): boolean {
  for (let p = 0; p < all.length; p++) {
    const one = all[p];
    if (!one) continue;
    const { atoms } = set.paragraphs[p]!;
    for (let i = 0; i < atoms.element.length; i++) {
      const element = atoms.element[i]!;
      const [x, y] = [a.reach[p]!.atoms[i]!, b.reach[p]!.atoms[i]!];
      const high = ({ facts }: MeasuredTexts) => facts.boxes[element * 4 + 3]! - facts.boxes[element * 4 + 1]!;
      if (Math.abs(x - y) > SAME || Math.abs(high(a) - high(b)) > SAME) return false;
      const at = one.text.indexOf(atoms.text[i]!);
      if (at < 0 || at >= one.count) continue;
      const across = one.origin + one.left[at]! + atoms.before[i]! - boxes[element * 4]!;
      const down = tops[p]![one.line[at]!]! + x - boxes[element * 4 + 1]!;
      for (let inner = element; inner < set.behind[element]!; inner++) {
        const box = inner * 4;
        boxes[box]! += across;
        boxes[box + 2]! += across;
        boxes[box + 1]! += down;
        boxes[box + 3]! += down;
        for (const other of inside[inner]!) {
          const lines = all[other];
          if (!lines) continue;
          lines.origin += across;
          for (let k = 0; k < tops[other]!.length; k++) tops[other]![k]! += down;
        }
      }
    }
  }
  return true;
}

/** The box of an inline element, around all of it on all its lines. */
export function placeInline(
  { inlines, pieces }: Paragraph,
  i: number,
  one: LinesAt,
  tops: Float64Array,
  above: number,
  below: number,
  boxes: Float64Array,
): void {
  const [first, last] = [pieces.text[inlines.first[i]!]!, pieces.text[inlines.last[i]!]!];
  let [left, right] = [Infinity, -Infinity];
  let [begin, end] = [-1, 0];
  for (let at = 0; at < one.count; at++) {
    const text = one.text[at]!;
    if (text < first || text > last) continue;
    const isLast = at + 1 === one.count || one.text[at + 1]! > last;
    left = Math.min(left, one.left[at]! - (begin < 0 ? inlines.before[i]! : 0));
    right = Math.max(right, one.right[at]! + (isLast ? inlines.after[i]! : 0));
    if (begin < 0) begin = one.line[at]!;
    end = Math.max(end, one.line[at]!);
  }
  if (begin < 0) return;
  const box = inlines.element[i]! * 4;
  boxes[box] = one.origin + left;
  boxes[box + 1] = tops[begin]! + above;
  boxes[box + 2] = one.origin + right;
  boxes[box + 3] = tops[end]! + below;
}
