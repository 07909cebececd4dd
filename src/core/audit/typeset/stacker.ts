import { Rule } from '../codes';
import { placeBeside, stretchRows } from './beside';
import { endBelowFloats, placeFloats, topBelowFloats } from './floats';
import type { Page } from './page';
import type { Placing } from './placing';
import type { Between } from './stack';
import { SAME } from './same';
import { placeSpannedRows } from './spanned-rows';
import { placeTableRow } from './table-row';
import type { TextsDown } from './texts-down';

/** Places what stands in an element that lies at a height, and all in it. */
export class Stacker implements Placing {
  /** Something couldn't be worked out. */
  failed = false;
  readonly open = new Map<number, number>();

  /**
   * @param share where between the two measured viewports, 0 to 1
   * @param boxes between the two, to be corrected
   * @param texts their lines, from anywhere; to be moved
   */
  constructor(
    readonly page: Page,
    readonly between: Between,
    readonly share: number,
    readonly boxes: Float64Array,
    readonly texts: TextsDown,
  ) {}

  /** @returns how far the element reaches down */
  place(element: number, top: number): number {
    if (this.#isPlain(element)) return this.#placePlain(element, top);
    const { boxes, page, share, between, texts } = this;
    const { rule, units } = page.set;
    const at = element * 4;
    const was = boxes[at + 3]! - boxes[at + 1]!;
    if (rule[element] === Rule.row) return placeTableRow(this, element, top);
    if (rule[element] === Rule.rows) return placeSpannedRows(this, element, top);
    if (rule[element] === Rule.other) {
      this.shift(element, top - boxes[at + 1]!);
      return boxes[at + 3]!;
    }
    boxes[at + 1] = top;
    if (rule[element] === Rule.beside) {
      boxes[at + 3] = placeBeside(this, element, top);
      return this.#asGiven(element, was);
    }
    const [a, b] = [between.gapsA.of[element]!, between.gapsB.of[element]!];
    let cursor = top;
    const list = units[element]!;
    for (let i = 0; i < list.length; i++) {
      const unit = list[i]!;
      placeFloats(this, element, i, cursor);
      const gaps = i === 0 ? this.#firstGaps(unit, a[0]!, b[0]!) : ([a[i]!, b[i]!] as const);
      if (unit >= 0) cursor = this.place(unit, topBelowFloats(this, unit, cursor, gaps));
      else if (texts.of[-1 - unit]) cursor = setLines(texts, -1 - unit, cursor + gaps[0] + (gaps[1] - gaps[0]) * share);
    }
    placeFloats(this, element, list.length, cursor);
    const least = page.slack[element] ? texts.of[-1 - list.at(-1)!]?.least : undefined;
    if (least !== undefined) {
      // It may have been stretched where it was measured, but stands in no less room than it asks for.
      const more = Math.min(a[list.length]!, b[list.length]!) - page.set.heights.rest[element]! - least;
      if (!(more <= SAME)) this.open.set(element, more);
      cursor += least;
    }
    const rest = page.set.heights.rest[element]!;
    boxes[at + 3] = endBelowFloats(
      this,
      element,
      cursor,
      page.slack[element] ? [rest, rest] : [a[list.length]!, b[list.length]!],
    );
    return this.#asGiven(element, was);
  }

  /** Whether it is as high as what stands in it, of which that is known. */
  #isPlain(element: number): boolean {
    const { is, ends } = this.between.plain;
    const p = ends[element]!;
    return is[element] === 1 && (p < 0 || this.texts.of[p]?.least === undefined);
  }

  #placePlain(element: number, top: number): number {
    const { boxes, share, texts } = this;
    const { begin, units, gap, by } = this.between.plain;
    boxes[element * 4 + 1] = top;
    let cursor = top;
    const behind = begin[element + 1]!;
    for (let at = begin[element]!; at < behind; at++) {
      const unit = units[at]!;
      const from = cursor + gap[at + element]! + by[at + element]! * share;
      if (unit >= 0) cursor = this.place(unit, from);
      else if (texts.of[-1 - unit]) cursor = setLines(texts, -1 - unit, from);
    }
    return (boxes[element * 4 + 3] = cursor + gap[behind + element]! + by[behind + element]! * share);
  }

  /**
   * From the top of an element to the first that stands in it. A marker beside its first line moves that down where it reaches higher, which goes by
   * what stands on that line.
   */
  #firstGaps(unit: number, a: number, b: number): readonly [number, number] {
    if (Math.abs(a - b) <= SAME) return [a, b];
    const first = this.#firstLines(unit);
    const own = first !== undefined && this.texts.of[first]?.styles[0];
    const ends = [this.between.a, this.between.b].map(({ lines }) => first !== undefined && lines[first]?.styles[0]);
    if (own === false || ends[0] === ends[1]) return [a, b];
    if (own === ends[0]) return [a, a];
    if (own !== ends[1]) this.failed = true;
    return [b, b];
  }

  /** The paragraph whose lines an element begins with. */
  #firstLines(unit: number | undefined): number | undefined {
    return unit === undefined ? undefined : unit < 0 ? -1 - unit : this.#firstLines(this.page.set.units[unit]![0]);
  }

  /** Elements with a height of their own, or a least one, stretched to it. */
  #asGiven(element: number, was: number): number {
    const { boxes } = this;
    const { least, given, fills, keeps } = this.page.set.heights;
    const at = element * 4;
    const high = boxes[at + 3]! - boxes[at + 1]!;
    const isSettled = given[element] ? !fills[element] : high + (this.open.get(element) ?? 0) <= least[element]! + SAME;
    if (isSettled) this.open.delete(element);
    if (given[element]) {
      const isOver = fills[element] === 1 && high > was + SAME;
      if (isOver && !keeps[element]) this.failed = true;
      if (isOver) boxes[at + 3] = boxes[at + 1]! + was;
      else this.stretch(element, was - high);
    } else if (high < least[element]!) this.stretch(element, least[element]! - high);
    return boxes[at + 3]!;
  }

  /** Makes an element higher than what stands in it asks for. */
  stretch(element: number, more: number): void {
    if (more === 0) return;
    const { rule, units, heights } = this.page.set;
    this.boxes[element * 4 + 3]! += more;
    if (rule[element] === Rule.beside) return stretchRows(this, element, more);
    if (rule[element] !== Rule.stack) this.failed = true;
    const grower = heights.grows[element]!;
    if (grower < 0) return;
    let isBelow = false;
    for (const unit of units[element]!) {
      if (isBelow) this.shift(unit, more);
      if (unit !== grower) continue;
      this.stretch(unit, more);
      isBelow = true;
    }
  }

  /** Moves a unit and all in it. */
  shift(unit: number, by: number): void {
    if (by === 0) return;
    if (unit < 0) {
      this.texts.top[-1 - unit]! += by;
      return;
    }
    const { boxes } = this;
    for (let i = unit; i < this.page.set.behind[unit]!; i++) {
      const at = i * 4;
      if (boxes[at] !== 0 || boxes[at + 1] !== 0 || boxes[at + 2] !== 0 || boxes[at + 3] !== 0) {
        boxes[at + 1]! += by;
        boxes[at + 3]! += by;
      }
      for (const p of this.page.inside[i]!) this.texts.top[p]! += by;
    }
  }
}

/** Puts lines below a height. @returns where the last ends */
function setLines(texts: TextsDown, p: number, from: number): number {
  const top = from + texts.above[p]!;
  texts.top[p] = top;
  return top + texts.depth[p]!;
}
