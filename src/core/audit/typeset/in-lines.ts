import type { LaidLines } from './laid-lines';
import type { MeasuredTexts } from './measured-texts';
import type { Page } from './page';
import { SAME } from './same';
import type { Between } from './stack';

/**
 * Moves what stands in lines like a letter, and all in it, to its place; whether it is the same at both ends.
 * @param holding the paragraphs with any of it
 * @param share where between the two measured viewports, 0 to 1
 */
export function placeAtoms(
  { set, inside }: Page,
  { a, b }: Between,
  holding: readonly number[],
  { lines, texts, origin }: Pick<LaidLines, 'lines' | 'texts' | 'origin'>,
  boxes: Float64Array,
  share: number,
): boolean {
  const move = (element: number, across: number, down: number) => {
    for (let inner = element; inner < set.behind[element]!; inner++) {
      const box = inner * 4;
      boxes[box]! += across;
      boxes[box + 2]! += across;
      boxes[box + 1]! += down;
      boxes[box + 3]! += down;
      for (const other of inside[inner]!) {
        origin[other]! += across;
        texts.top[other]! += down;
      }
    }
  };
  for (const p of holding) {
    const one = lines[p];
    const { atoms, block } = set.paragraphs[p]!;
    if (!one) {
      // Where its lines aren't worked out it keeps its place in their block.
      const off = (side: number) => {
        const [x, y] = [a.facts.boxes[side]!, b.facts.boxes[side]!];
        return boxes[side]! - (x + (y - x) * share);
      };
      for (const element of atoms.element)
        move(element, off(block * 4) - off(element * 4), off(block * 4 + 1) - off(element * 4 + 1));
      continue;
    }
    for (let i = 0; i < atoms.element.length; i++) {
      const element = atoms.element[i]!;
      const [x, y] = [a.reach[p]!.atoms[i]!, b.reach[p]!.atoms[i]!];
      const high = ({ facts }: MeasuredTexts) => facts.boxes[element * 4 + 3]! - facts.boxes[element * 4 + 1]!;
      if (Math.abs(x - y) > SAME || Math.abs(high(a) - high(b)) > SAME) return false;
      const at = one.text.indexOf(atoms.text[i]!);
      if (at < 0 || at >= one.count) continue;
      const across = origin[p]! + one.left[at]! + atoms.before[i]! - boxes[element * 4]!;
      const down = texts.top[p]! + texts.of[p]!.tops[one.line[at]!]! + x - boxes[element * 4 + 1]!;
      move(element, across, down);
    }
  }
  return true;
}
