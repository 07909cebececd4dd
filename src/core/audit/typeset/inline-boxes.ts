import type { LinesDown } from './leading';
import type { LinesAt } from './lines-at';
import type { MeasuredTexts } from './measured-texts';
import type { Paragraph } from './paragraph';
import type { Parts } from './set-lines';

/**
 * The boxes of all inline elements around all of them on all their lines, in one list, so that they are moved to their places in one go: from where
 * the lines of their paragraph begin, and its first line's top.
 */
export class InlineBoxes {
  /** By paragraph where its inline elements begin; at last how many there are. */
  readonly #begin: Int32Array;
  readonly #element: Int32Array;
  readonly #owner: Int32Array;
  /** Four numbers each; NaN for what stands on no line. */
  readonly #sides: Float64Array;

  constructor(paragraphs: readonly Paragraph[]) {
    this.#begin = new Int32Array(paragraphs.length + 1);
    paragraphs.forEach(({ inlines }, p) => (this.#begin[p + 1] = this.#begin[p]! + inlines.element.length));
    this.#element = Int32Array.from(paragraphs.flatMap(({ inlines }) => [...inlines.element]));
    this.#owner = Int32Array.from(paragraphs.flatMap(({ inlines }, p) => Array.from(inlines.element, () => p)));
    this.#sides = new Float64Array(this.#element.length * 4).fill(NaN);
  }

  /** Whether there are any in a paragraph. */
  has(p: number): boolean {
    return this.#begin[p + 1]! > this.#begin[p]!;
  }

  /** Takes in how a paragraph is broken now. @param reach how far they reach above and below their lines */
  set(
    p: number,
    now: { readonly lines: LinesAt; readonly parts: Parts; readonly down: LinesDown } | undefined,
    { above, below }: Pick<MeasuredTexts['reach'][number], 'above' | 'below'>,
  ): void {
    const [sides, first] = [this.#sides, this.#begin[p]!];
    for (let i = 0; first + i < this.#begin[p + 1]!; i++) {
      const at = (first + i) * 4;
      sides[at] = NaN;
      if (!now) continue;
      const { lines, parts, down } = now;
      const [from, to] = [parts.from[i]!, parts.to[i]!];
      if (from === to) continue;
      sides[at] = parts.begin[i]!;
      sides[at + 1] = down.tops[lines.line[from]!]! + above[i]!;
      sides[at + 2] = parts.end[i]!;
      sides[at + 3] = down.tops[lines.line[to - 1]!]! + below[i]!;
    }
  }

  /** @param origin by paragraph where its lines begin, px @param top and where its first line's type does */
  write(boxes: Float64Array, origin: Float64Array, top: Float64Array): void {
    const [sides, element, owner] = [this.#sides, this.#element, this.#owner];
    for (let i = 0, at = 0; i < element.length; i++, at += 4) {
      const left = sides[at]!;
      if (left !== left) continue;
      const x = origin[owner[i]!]!;
      const y = top[owner[i]!]!;
      const box = element[i]! * 4;
      boxes[box] = x + left;
      boxes[box + 1] = y + sides[at + 1]!;
      boxes[box + 2] = x + sides[at + 2]!;
      boxes[box + 3] = y + sides[at + 3]!;
    }
  }
}
