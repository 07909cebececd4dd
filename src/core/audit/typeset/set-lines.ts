import type { Leading, LinesDown } from './leading';
import { lineEnds } from './leading';
import type { LinesAt } from './lines-at';
import { layOut, moveLines, sameNumbers } from './lines-at';
import type { Page } from './page';
import type { Paragraph } from './paragraph';
import { SAME } from './same';
import type { Between } from './stack';
import { mayTurn } from './text-ends';

/** Distances that differ by no more, px, do by how computers add. */
const EVEN = 1e-6;

/** What follows from how a paragraph is broken, wherever it lies. */
export interface Parts {
  readonly of: LinesAt;
  /** By part of a text: how much lower its top lies than that of the line's own type, and how high it is. */
  readonly offset: Float64Array;
  readonly height: Float64Array;
  /** By part: how far inline elements that begin or end with it reach beyond it, and with them what they stand in. */
  readonly lead: Float64Array;
  readonly trail: Float64Array;
  /** By inline element: its first part and the one behind its last; none where both are the same. */
  readonly from: Int32Array;
  readonly to: Int32Array;
  /** How far those reach across, from where lines begin. */
  readonly begin: Float64Array;
  readonly end: Float64Array;
}

/** How the lines of one paragraph lie at any width between two, one after the other: what is the same as at the last one is kept. */
export class SetLines {
  #lines: LinesAt | undefined;
  #parts: Parts | undefined;
  /** By how many lines there were: how they lay where only their styles decide. */
  readonly #known: (LinesDown | undefined)[] = [];
  /** Whether lines that are broken at the same places are as wide in any room. */
  readonly #isFree: boolean;
  /** Whether its inline elements reach as far above and below their lines at both ends. */
  readonly isSteady: boolean;

  constructor(
    private readonly page: Page,
    private readonly pair: Between,
    private readonly p: number,
    private readonly paragraph: Paragraph,
  ) {
    this.#isFree = !mayTurn(paragraph);
    const [x, y] = [pair.a.reach[p]!, pair.b.reach[p]!];
    this.isSteady = Array.from(paragraph.inlines.element).every(
      (_, i) => Math.abs(x.above[i]! - y.above[i]!) <= SAME && Math.abs(x.below[i]! - y.below[i]!) <= SAME,
    );
  }

  /** Whether lines that are broken at the same places lie otherwise in another room. */
  get followsRoom(): boolean {
    return this.paragraph.align !== 0 || !this.#isFree;
  }

  /** Its lines beside each other. @param room how long they may be, px */
  across(starts: Int32Array, room: number): LinesAt {
    if (this.#isFree && this.#lines?.starts === starts) moveLines(this.#lines, this.paragraph, room);
    else this.#lines = layOut(this.paragraph, starts, room, this.page.set.strict);
    return this.#lines;
  }

  /** Its lines below each other; undefined where that isn't known. @param styles what is on each @param share where between the two, 0 to 1 */
  down(styles: Uint32Array, share: number): LinesDown | undefined {
    const isMixed = this.isAsAtEnds(styles);
    const known = isMixed ? undefined : this.#known[styles.length];
    if (known && sameNumbers(known.styles, styles)) return known;
    const tops = isMixed ? this.#between(share) : this.#steps(styles);
    const down = tops && { ...lineEnds(this.paragraph.strut, styles, this.page.leading), tops, styles };
    if (!isMixed) this.#known[styles.length] = down;
    return down;
  }

  /** Whether the same is on each line as at both ends. */
  isAsAtEnds(styles: Uint32Array): boolean {
    const { a, b } = this.pair;
    return sameNumbers(styles, a.lines[this.p]!.styles) && sameNumbers(styles, b.lines[this.p]!.styles);
  }

  #between(share: number): Float64Array {
    const [a, b] = [this.pair.a.tops[this.p]!, this.pair.b.tops[this.p]!];
    return a.map((top, i) => top - a[0]! + (b[i]! - b[0]! - (top - a[0]!)) * share);
  }

  /** Whether lines that are as at both ends lie as far below each other there. */
  get isEven(): boolean {
    const [a, b] = [this.pair.a.tops[this.p]!, this.pair.b.tops[this.p]!];
    return a.every((top, i) => Math.abs(top - a[0]! - (b[i]! - b[0]!)) < EVEN);
  }

  /** The same where only the styles on its lines decide. */
  #steps(own: Uint32Array): Float64Array | undefined {
    const { a, b } = this.pair;
    const { leading, inStack } = this.page;
    const { block, strut } = this.paragraph;
    if (!inStack[block]) return undefined;
    const all = [own, a.lines[this.p]!.styles, b.lines[this.p]!.styles];
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
    const parts = this.#parts?.of === lines ? this.#parts : partsOf(this.paragraph, lines, this.page.leading);
    // Elsewhere than at the left lines lie otherwise in each room.
    if (parts !== this.#parts || this.paragraph.align !== 0) reachAcross(parts, this.paragraph);
    return (this.#parts = parts);
  }
}

/** Finds out how far inline elements reach across. */
function reachAcross({ of, from, to, lead, trail, begin, end }: Parts, { inlines: { before, after } }: Paragraph): void {
  for (let i = 0; i < begin.length; i++) {
    if (from[i] === to[i]) continue;
    let [first, last] = [of.left[from[i]!]! - before[i]!, of.right[to[i]! - 1]! + after[i]!];
    for (let at = from[i]! + 1; at < to[i]!; at++) {
      // What begins or ends in the midst of it stands in it.
      first = Math.min(first, of.left[at]! - lead[at]!);
      last = Math.max(last, of.right[at - 1]! + trail[at - 1]!);
    }
    [begin[i], end[i]] = [first, last];
  }
}

function partsOf({ texts, inlines, pieces, strut }: Paragraph, one: LinesAt, leading: Leading): Parts {
  const [offset, height] = [new Float64Array(one.count), new Float64Array(one.count)];
  for (let i = 0; i < one.count; i++) {
    const style = texts.style[one.text[i]!]!;
    offset[i] = leading.offset(strut, style) ?? 0;
    height[i] = leading.height(style);
  }
  const inlineCount = inlines.element.length;
  const [from, to] = [new Int32Array(inlineCount), new Int32Array(inlineCount)];
  const [lead, trail] = [new Float64Array(one.count), new Float64Array(one.count)];
  for (let i = 0; i < from.length; i++) {
    const [begin, end] = [pieces.text[inlines.first[i]!]!, pieces.text[inlines.last[i]!]!];
    while (from[i]! < one.count && one.text[from[i]!]! < begin) from[i]!++;
    to[i] = from[i]!;
    while (to[i]! < one.count && one.text[to[i]!]! <= end) to[i]!++;
    const [first, last] = [from[i]!, to[i]! - 1];
    if (last < first) continue;
    lead[first] = Math.max(lead[first]!, inlines.before[i]!);
    trail[last] = Math.max(trail[last]!, inlines.after[i]!);
  }
  const [begin, end] = [new Float64Array(inlineCount), new Float64Array(inlineCount)];
  return { of: one, offset, height, from, to, lead, trail, begin, end };
}
