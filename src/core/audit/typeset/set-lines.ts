import { SAME } from './in-lines';
import type { Leading, LinesDown } from './leading';
import { linesDown } from './leading';
import type { LinesAt } from './lines-at';
import { layOut, sameNumbers } from './lines-at';
import type { Page } from './page';
import type { Paragraph } from './paragraph';
import type { Between } from './stack';

/** What follows from how a paragraph is broken, wherever it lies. */
interface Parts {
  readonly of: LinesAt;
  /** By part of a text: how much lower its top lies than that of the line's own type, and how high it is. */
  readonly offset: Float64Array;
  readonly height: Float64Array;
  /** By inline element: from where to where it reaches, px from the origin, and its first and last line; -1 where it isn't there. */
  readonly left: Float64Array;
  readonly right: Float64Array;
  readonly first: Int32Array;
  readonly last: Int32Array;
}

interface Stepped {
  readonly styles: Uint32Array;
  readonly tops: Float64Array | 'mixed' | undefined;
  /** Written over each time: thousands of new ones would have to be cleared away. */
  readonly down: LinesDown;
}

/** How the lines of one paragraph lie at any width between two, one after the other: what is the same as at the last one is kept. */
export class SetLines {
  #lines: LinesAt | undefined;
  #parts: Parts | undefined;
  #stepped: Stepped | undefined;
  /** Whether only where lines begin hangs on the room. */
  readonly #isAtLeft: boolean;
  /** Whether its inline elements reach as far above and below their lines at both ends. */
  readonly isSteady: boolean;

  constructor(
    private readonly page: Page,
    private readonly pair: Between,
    private readonly p: number,
    readonly paragraph: Paragraph,
  ) {
    this.#isAtLeft = paragraph.align === 0 && !paragraph.texts.spaceless.includes(1);
    const [x, y] = [pair.a.reach[p]!, pair.b.reach[p]!];
    this.isSteady = Array.from(paragraph.inlines.element).every(
      (_, i) => Math.abs(x.above[i]! - y.above[i]!) <= SAME && Math.abs(x.below[i]! - y.below[i]!) <= SAME,
    );
  }

  /** @param left and @param right of the room, px from the page's left end */
  across(starts: Int32Array, left: number, right: number): LinesAt {
    if (this.#isAtLeft && this.#lines?.starts === starts) this.#lines.origin = left;
    else this.#lines = layOut(this.paragraph, starts, { left, room: right - left }, this.page.set.strict);
    return this.#lines;
  }

  /** Its lines below each other, from anywhere; undefined where that isn't known. @param share where between the two, 0 to 1 */
  down({ styles }: LinesAt, share: number): LinesDown | undefined {
    if (this.#stepped?.styles !== styles) {
      const room = new Float64Array(styles.length);
      const down = linesDown(this.paragraph.strut, styles, room, this.page.leading);
      this.#stepped = { styles, tops: this.#steps(styles), down };
    }
    const { tops, down } = this.#stepped;
    if (tops === undefined) return undefined;
    if (tops === 'mixed') {
      const [a, b] = [this.pair.a.tops[this.p]!, this.pair.b.tops[this.p]!];
      for (let i = 0; i < down.tops.length; i++) down.tops[i] = a[i]! + (b[i]! - a[i]!) * share;
    } else down.tops.set(tops);
    return down;
  }

  /** The same where only the styles on its lines decide; 'mixed' where they are as at both ends. */
  #steps(own: Uint32Array): Float64Array | 'mixed' | undefined {
    const { a, b } = this.pair;
    const { leading, inStack } = this.page;
    const { block, strut } = this.paragraph;
    const [x, y] = [a.lines[this.p]!.styles, b.lines[this.p]!.styles];
    if (sameNumbers(own, x) && sameNumbers(own, y)) return 'mixed';
    if (!inStack[block]) return undefined;
    const all = [own, x, y];
    const [firstSame, lastSame] = [0, -1].map((at) => all.every((styles) => styles.at(at) === own.at(at)));
    const isKnown = (styles: Uint32Array) =>
      styles.every(
        (some, i) =>
          ((i === 0 && firstSame) || leading.above(strut, some) !== undefined) &&
          ((i === styles.length - 1 && lastSame) || leading.below(strut, some) !== undefined),
      );
    if (!all.every(isKnown)) return undefined;
    const tops = new Float64Array(own.length);
    for (let i = 1; i < tops.length; i++) tops[i] = tops[i - 1]! + leading.step(strut, own[i - 1]!, own[i]!);
    return tops;
  }

  parts(lines: LinesAt): Parts {
    return this.#parts?.of === lines ? this.#parts : (this.#parts = partsOf(this.paragraph, lines, this.page.leading));
  }

  /** Puts inline elements around all of them on all their lines. */
  placeInlines(lines: LinesAt, { left, right, first, last }: Parts, tops: Float64Array, boxes: Float64Array): void {
    const { element } = this.paragraph.inlines;
    const { above, below } = this.pair.a.reach[this.p]!;
    for (let i = 0; i < element.length; i++) {
      if (first[i]! < 0) continue;
      const box = element[i]! * 4;
      boxes[box] = lines.origin + left[i]!;
      boxes[box + 1] = tops[first[i]!]! + above[i]!;
      boxes[box + 2] = lines.origin + right[i]!;
      boxes[box + 3] = tops[last[i]!]! + below[i]!;
    }
  }
}

function partsOf({ texts, inlines, pieces, strut }: Paragraph, one: LinesAt, leading: Leading): Parts {
  const [offset, height] = [new Float64Array(one.count), new Float64Array(one.count)];
  for (let i = 0; i < one.count; i++) {
    const style = texts.style[one.text[i]!]!;
    offset[i] = leading.offset(strut, style) ?? 0;
    height[i] = leading.height(style);
  }
  const count = inlines.element.length;
  const [left, right] = [new Float64Array(count).fill(Infinity), new Float64Array(count).fill(-Infinity)];
  const [first, last] = [new Int32Array(count).fill(-1), new Int32Array(count)];
  for (let i = 0; i < count; i++) {
    const [begin, end] = [pieces.text[inlines.first[i]!]!, pieces.text[inlines.last[i]!]!];
    for (let at = 0; at < one.count; at++) {
      const text = one.text[at]!;
      if (text < begin || text > end) continue;
      const isLast = at + 1 === one.count || one.text[at + 1]! > end;
      left[i] = Math.min(left[i]!, one.left[at]! - (first[i]! < 0 ? inlines.before[i]! : 0));
      right[i] = Math.max(right[i]!, one.right[at]! + (isLast ? inlines.after[i]! : 0));
      if (first[i]! < 0) first[i] = one.line[at]!;
      last[i] = Math.max(last[i]!, one.line[at]!);
    }
  }
  return { of: one, offset, height, left, right, first, last };
}
