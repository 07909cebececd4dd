import { stylesOnLines } from './break-lines';
import type { Starts } from './line-starts';
import { sameNumbers } from './lines-at';
import type { Paragraph, Typesetting } from './paragraph';

/**
 * Words that go from one line to the next in the midst of a text: as long as all texts begin and end on the same lines, and these are as high,
 * nothing but how far lines reach is otherwise.
 */
export class LineMoves {
  /** By paragraph the segments in which texts begin or end. */
  readonly #ends: (readonly number[])[] = [];

  constructor(private readonly set: Typesetting) {}

  /**
   * Whether nothing but how far lines reach is otherwise.
   * @param moved receives the paragraphs in which it is
   */
  areAlike(a: Starts, b: Starts, moved: Set<number>): boolean {
    for (let p = 0; p < a.length; p++) {
      const [x, y] = [a[p], b[p]];
      if (x === y || (x && y && sameNumbers(x, y))) continue;
      if (!x || !y || !this.#isAlike(p, x, y)) return false;
      moved.add(p);
    }
    return true;
  }

  /** All elements that stand in the lines of some paragraphs. */
  elementsOf(paragraphs: Iterable<number>): number[] {
    return [...paragraphs].flatMap((p) => {
      const { texts, inlines } = this.set.paragraphs[p]!;
      return [...texts.element, ...inlines.element].filter((element) => element >= 0);
    });
  }

  #isAlike(p: number, x: Int32Array, y: Int32Array): boolean {
    const paragraph = this.set.paragraphs[p]!;
    // What stands there like a letter goes along with words.
    if (x.length !== y.length || paragraph.atoms.element.length > 0) return false;
    const ends = (this.#ends[p] ??= textEnds(paragraph));
    for (let line = 1; line < x.length; line++) {
      const [from, to] = x[line]! < y[line]! ? [x[line]!, y[line]!] : [y[line]!, x[line]!];
      if (from < to && ends.some((segment) => segment >= from && segment < to)) return false;
    }
    const { strict } = this.set;
    return sameNumbers(stylesOnLines(paragraph, x, strict), stylesOnLines(paragraph, y, strict));
  }
}

function textEnds({ texts, pieces }: Paragraph): number[] {
  const ends = new Set<number>();
  for (let text = 0; text < texts.first.length; text++)
    for (const piece of [texts.first[text]!, texts.last[text]!]) ends.add(pieces.segment[piece]!);
  return [...ends];
}
