import { Rule } from '../codes';
import { placeBeside, stretchRows } from './beside';
import type { Page } from './page';
import type { Placing } from './placing';
import type { Between } from './stack';
import { endOf } from './stack';
import { placeTableRow } from './table-row';

/** Heights that differ by no more, px, are the same. */
const SAME = 0.05;

/** Places what stands in an element that lies at a height, and all in it. */
export class Stacker implements Placing {
  /** Something couldn't be worked out. */
  failed = false;

  /**
   * @param share where between the two measured viewports, 0 to 1
   * @param boxes between the two, to be corrected
   * @param tops by paragraph the tops of its lines, each set from where its block was; to be corrected
   */
  constructor(
    readonly page: Page,
    readonly between: Between,
    readonly share: number,
    readonly boxes: Float64Array,
    private readonly tops: readonly (Float64Array | undefined)[],
    private readonly styles: readonly (Uint32Array | undefined)[],
  ) {}

  /** @returns how far the element reaches down */
  place(element: number, top: number): number {
    const { boxes, page, share, between } = this;
    const { rule, units } = page.set;
    const at = element * 4;
    const was = boxes[at + 3]! - boxes[at + 1]!;
    if (rule[element] === Rule.row) return placeTableRow(this, element, top);
    if (rule[element] === Rule.other) {
      this.shift(element, top - boxes[at + 1]!);
      return boxes[at + 3]!;
    }
    boxes[at + 1] = top;
    if (rule[element] === Rule.beside) {
      boxes[at + 3] = placeBeside(this, element, top);
      return this.#asGiven(element, was);
    }
    const [a, b] = [between.gapsA.of.get(element)!, between.gapsB.of.get(element)!];
    const gap = (i: number) => a[i]! + (b[i]! - a[i]!) * share;
    let cursor = top;
    const list = units[element]!;
    for (let i = 0; i < list.length; i++) {
      const unit = list[i]!;
      if (unit >= 0) cursor = this.place(unit, cursor + gap(i));
      else if (this.styles[-1 - unit]) cursor = this.#setLines(-1 - unit, cursor + gap(i));
    }
    boxes[at + 3] = cursor + (page.slack[element] ? page.set.heights.rest[element]! : gap(list.length));
    return this.#asGiven(element, was);
  }

  /** Elements with a height of their own, or a least one, stretched to it. */
  #asGiven(element: number, was: number): number {
    const { boxes } = this;
    const { least, given, fills } = this.page.set.heights;
    const at = element * 4;
    const high = boxes[at + 3]! - boxes[at + 1]!;
    if (given[element]) {
      if (fills[element] && high > was + SAME) this.failed = true;
      this.stretch(element, was - high);
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

  /** Lines one below the other; returns where the last ends. */
  #setLines(p: number, begin: number): number {
    const { leading, set } = this.page;
    const tops = this.tops[p]!;
    const styles = this.styles[p]!;
    const { strut } = set.paragraphs[p]!;
    const by = begin + (leading.above(strut, styles[0]!) ?? 0) - tops[0]!;
    for (let i = 0; i < tops.length; i++) tops[i]! += by;
    return endOf(strut, styles, tops, leading);
  }

  /** Moves a unit and all in it. */
  shift(unit: number, by: number): void {
    if (by === 0) return;
    if (unit < 0) return this.#shiftLines(-1 - unit, by);
    const { boxes } = this;
    for (let i = unit; i < this.page.set.behind[unit]!; i++) {
      const at = i * 4;
      if (boxes[at] !== 0 || boxes[at + 1] !== 0 || boxes[at + 2] !== 0 || boxes[at + 3] !== 0) {
        boxes[at + 1]! += by;
        boxes[at + 3]! += by;
      }
      for (const p of this.page.inside[i]!) this.#shiftLines(p, by);
    }
  }

  #shiftLines(p: number, by: number): void {
    const lines = this.tops[p];
    if (lines) for (let line = 0; line < lines.length; line++) lines[line]! += by;
  }
}
