import type { Leading } from './leading';
import type { MeasuredTexts } from './measured-texts';
import { Rule } from '../codes';
import type { Typesetting } from './paragraph';

/** Distances between what lies one below the other, at one measured viewport, px. */
export interface Gaps {
  /** By element with a stack: before each unit, and at last below the last one. */
  readonly of: ReadonlyMap<number, Float64Array>;
}

/** The line below the last of a paragraph; what is not known is taken to be nothing, and counted to the distance. */
const endOf = (strut: number, styles: Uint32Array, tops: Float64Array, leading: Leading) =>
  tops[tops.length - 1]! + (leading.below(strut, styles[styles.length - 1]!) ?? 0);

/** Reads them where they were measured. */
export function gapsIn({ rule, units, paragraphs }: Typesetting, texts: MeasuredTexts, leading: Leading): Gaps {
  const of = new Map<number, Float64Array>();
  const { boxes } = texts.facts;
  for (let i = 0; i < rule.length; i++) {
    if (rule[i] !== Rule.stack) continue;
    const list = units[i]!;
    const gaps = new Float64Array(list.length + 1);
    let cursor = boxes[i * 4 + 1]!;
    list.forEach((unit, at) => {
      if (unit >= 0) {
        gaps[at] = boxes[unit * 4 + 1]! - cursor;
        cursor = boxes[unit * 4 + 3]!;
        return;
      }
      const p = -1 - unit;
      const lines = texts.lines[p];
      if (!lines) return;
      const { strut } = paragraphs[p]!;
      gaps[at] = texts.tops[p]![0]! - (leading.above(strut, lines.styles[0]!) ?? 0) - cursor;
      cursor = endOf(strut, lines.styles, texts.tops[p]!, leading);
    });
    gaps[list.length] = boxes[i * 4 + 3]! - cursor;
    of.set(i, gaps);
  }
  return { of };
}

/** Elements of which all that they stand in stacks, so that they are moved by what lies above them. */
export function stacked({ rule, holdsOn }: Typesetting, parents: (i: number) => number): Uint8Array {
  const found = new Uint8Array(rule.length);
  for (let i = 0; i < rule.length; i++) {
    const parent = parents(i);
    const free = i === 0 || holdsOn[i]! >= 0 || (parent >= 0 && found[parent] === 1);
    found[i] = free && rule[i] !== Rule.other ? 1 : 0;
  }
  return found;
}

/** Heights that differ by more, px, aren't the same. */
const HIGHER = 0.1;

/** What lies around the content of a cell. */
const endsOf = (gaps: Float64Array) => (gaps.length === 1 ? gaps[0]! : gaps[0]! + gaps[gaps.length - 1]!);

/** What is needed to set lines of one paragraph below each other, between two measured viewports. */
export interface Between {
  readonly a: MeasuredTexts;
  readonly b: MeasuredTexts;
  readonly gapsA: Gaps;
  readonly gapsB: Gaps;
}

/**
 * Places what stands in an element that lies at a height, and all in it.
 * @param boxes between the two measured viewports, to be corrected
 * @param tops by paragraph the tops of its lines, each set from where its block was; to be corrected
 * @returns how high the element reaches down
 */
export class Stacker {
  /** Something couldn't be worked out. */
  failed = false;

  constructor(
    private readonly set: Typesetting,
    private readonly leading: Leading,
    private readonly between: Between,
    private readonly share: number,
    private readonly boxes: Float64Array,
    private readonly tops: (Float64Array | undefined)[],
    private readonly styles: readonly (Uint32Array | undefined)[],
    private readonly inside: readonly (readonly number[])[],
  ) {}

  place(element: number, top: number): number {
    const { boxes, set, share, between } = this;
    const at = element * 4;
    if (set.rule[element] === Rule.row) return this.#placeRow(element, top);
    if (set.rule[element] === Rule.other) {
      this.#shift(element, top - boxes[at + 1]!);
      return boxes[at + 3]!;
    }
    const [a, b] = [between.gapsA.of.get(element)!, between.gapsB.of.get(element)!];
    const gap = (i: number) => a[i]! + (b[i]! - a[i]!) * share;
    boxes[at + 1] = top;
    let cursor = top;
    const list = set.units[element]!;
    for (let i = 0; i < list.length; i++) {
      const unit = list[i]!;
      if (unit >= 0) cursor = this.place(unit, cursor + gap(i));
      else if (this.tops[-1 - unit]) cursor = this.#setLines(-1 - unit, cursor + gap(i));
    }
    boxes[at + 3] = cursor + gap(list.length);
    return boxes[at + 3]!;
  }

  /** Cells as high as the highest of them; what stands in each lies where its row says. */
  #placeRow(element: number, top: number): number {
    const { boxes, set, share, between } = this;
    const { most, align } = set.cells;
    const [upperA, upperB] = [between.a.facts.boxes, between.b.facts.boxes];
    const rowHeight = ({ [element * 4 + 1]: from, [element * 4 + 3]: to }: Float64Array) => to! - from!;
    const [highA, highB] = [rowHeight(upperA), rowHeight(upperB)];
    const list = set.units[element]!;
    boxes[element * 4 + 1] = top;
    let known = 0;
    /** Cells that may be as high as this, and the highest by itself at both ends. */
    let unsure = 0;
    let [tallA, tallB] = [0, 0];
    const contents: number[] = [];
    for (const cell of list) {
      const bottom = this.place(cell, top);
      if (set.rule[cell] !== Rule.stack) {
        contents.push(NaN);
        unsure = Math.max(unsure, highA + (highB - highA) * share);
        continue;
      }
      const [a, b] = [between.gapsA.of.get(cell)!, between.gapsB.of.get(cell)!];
      const [freeA, freeB] = [endsOf(a), endsOf(b)];
      const content = bottom - top - (freeA + (freeB - freeA) * share);
      contents.push(content);
      const rest = this.#restOf(cell, list, highA - freeA, highA, highB - freeB, highB);
      if (rest === undefined) unsure = Math.max(unsure, content + most[cell]!);
      else {
        known = Math.max(known, content + rest);
        tallA = Math.max(tallA, highA - freeA + rest);
        tallB = Math.max(tallB, highB - freeB + rest);
      }
    }
    // A row may be higher than any of its cells asks for.
    const isOwn = Math.abs(tallA - highA) < HIGHER && Math.abs(tallB - highB) < HIGHER;
    if (!isOwn || unsure > known + HIGHER) this.failed = true;
    list.forEach((cell, i) => {
      boxes[cell * 4 + 1] = top;
      boxes[cell * 4 + 3] = top + known;
      if (Number.isNaN(contents[i]!)) return;
      const [a, b] = [between.gapsA.of.get(cell)!, between.gapsB.of.get(cell)!];
      if (a.length === 1) return;
      // What is free around the content is shared between its two ends.
      const more = known - contents[i]! - (endsOf(a) + (endsOf(b) - endsOf(a)) * share);
      this.#shiftContent(cell, more * align[cell]!);
    });
    boxes[element * 4 + 3] = top + known;
    return top + known;
  }

  #shiftContent(cell: number, by: number): void {
    for (const unit of this.set.units[cell]!) {
      if (unit >= 0) this.#shift(unit, by);
      else {
        const lines = this.tops[-1 - unit];
        if (lines) for (let line = 0; line < lines.length; line++) lines[line]! += by;
      }
    }
  }

  /** How much higher a cell would be by itself than its content, where that is known. */
  #restOf(
    cell: number,
    row: readonly number[],
    contentA: number,
    highA: number,
    contentB: number,
    highB: number,
  ): number | undefined {
    const { least, most } = this.set.cells;
    if (most[cell]! - least[cell]! < HIGHER) return most[cell]!;
    // The highest of a row is as high as the row.
    const rests = (
      [
        [contentA, highA, this.between.gapsA],
        [contentB, highB, this.between.gapsB],
      ] as const
    ).flatMap(([content, high, gaps]) => {
      const others = row.every((other) => {
        if (other === cell) return true;
        const own = gaps.of.get(other);
        if (!own) return false;
        const inside = high - endsOf(own);
        return inside + most[other]! < high - HIGHER;
      });
      return others ? [high - content] : [];
    });
    return rests.length > 0 ? Math.max(...rests) : undefined;
  }

  /** Lines one below the other; returns where the last ends. */
  #setLines(p: number, begin: number): number {
    const tops = this.tops[p]!;
    const styles = this.styles[p]!;
    const { strut } = this.set.paragraphs[p]!;
    const shift = begin + (this.leading.above(strut, styles[0]!) ?? 0) - tops[0]!;
    for (let i = 0; i < tops.length; i++) tops[i]! += shift;
    return endOf(strut, styles, tops, this.leading);
  }

  #shift(element: number, by: number): void {
    const { boxes, set, tops } = this;
    if (by === 0) return;
    for (let i = element; i < set.behind[element]!; i++) {
      const at = i * 4;
      if (boxes[at] !== 0 || boxes[at + 1] !== 0 || boxes[at + 2] !== 0 || boxes[at + 3] !== 0) {
        boxes[at + 1]! += by;
        boxes[at + 3]! += by;
      }
      for (const p of this.inside[i]!) {
        const lines = tops[p];
        if (lines) for (let line = 0; line < lines.length; line++) lines[line]! += by;
      }
    }
  }
}
