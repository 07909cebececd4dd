import { Laying, Level, PLAIN_DENOMINATORS } from '../codes';
import type { PageFacts } from '../facts';
import { FlexLines } from './flex-lines';
import { FrGrid } from './fr-columns';
import type { WrittenWidth } from './written-widths';
import { itemsBefore, SPAN_LEAST, WrittenSides } from './written-sides';

/*
 * A box that follows the window by a share of it ends at a whole number of 1/64 px at every width: so browsers round it, and every box in it again.
 * They do so in the same way each time the window is wider by a number of px of which all shares are whole numbers of 1/64 px.
 */

/** Both ends of what is measured may be rounded, px. */
const ROUNDED = 1 / 16;
/** After so many px at most everything is rounded as before; for more, too many widths would have to be measured. */
const PERIOD_MOST = 15;
/** What browsers say of whole numbers of 1/64 px is exact. */
const SAME = 1e-6;

/** A number without its factors of two: halves, quarters and so on are whole numbers of 1/64 px. */
const oddOf = (denominator: number): number => (denominator % 2 === 0 ? oddOf(denominator / 2) : denominator);
const commonDivisor = (a: number, b: number): number => (b === 0 ? a : commonDivisor(b, a % b));

/** The share of a window's px by which something grows; undefined where it isn't a plain one. */
function shareOf(grown: number, span: number): { readonly share: number; readonly odd: number } | undefined {
  for (const denominator of PLAIN_DENOMINATORS) {
    const count = Math.round((grown * denominator) / span);
    if (Math.abs(grown - (count * span) / denominator) <= ROUNDED) return { share: count / denominator, odd: oddOf(denominator) };
  }
  return undefined;
}

function listIn(lists: Map<number, number[]>, key: number): number[] {
  let list = lists.get(key);
  if (!list) lists.set(key, (list = []));
  return list;
}

/** Where boxes end at widths between measured ones, to the very 1/64 px. */
export class Shares {
  /** By side of a box, four an element: how far from that side of what it stands in; NaN where that isn't always as far. */
  readonly #offset: Float64Array;
  /** Its share of the window; NaN where it isn't known or isn't as measured. */
  readonly #share: Float64Array;
  /** By element what shares out its room to what lies in it. */
  readonly #rooms: (FrGrid | FlexLines | undefined)[];
  readonly #written: WrittenSides;
  readonly #parents: Int32Array;
  readonly #period: number;
  readonly #widths: readonly number[];
  /** By remainder: the measured widths. */
  readonly #like: PageFacts[][];
  /** By side the width that was asked for last, and what was told of it: all that stands in something asks for its sides. */
  readonly #latest: { readonly asked: Int32Array; readonly told: Float64Array };
  /** Elements that were asked for last, with all that they stand in. */
  #around: { readonly of: readonly number[]; readonly all: Int32Array } | undefined;

  /**
   * @param measured of neighbouring widths between which everything moves evenly, ascending; at least both ends
   * @param isPlain whether all shares that are written are plain ones
   * @param written what is written of how wide elements are, where any of it is a share
   * @param isCell whether an element is one of a table: columns aren't rounded alike again
   */
  constructor(
    measured: readonly PageFacts[],
    isPlain = true,
    written: ReadonlyMap<number, WrittenWidth> = new Map(),
    isCell: (element: number) => boolean = () => false,
  ) {
    const [first, last] = [measured[0]!, measured[measured.length - 1]!];
    const span = last.viewport.width - first.viewport.width;
    const count = first.elements.length;
    this.#widths = measured.map(({ viewport }) => viewport.width);
    this.#parents = Int32Array.from(first.elements, ({ parent }) => parent);
    this.#latest = { asked: new Int32Array(count * 4), told: new Float64Array(count * 4) };
    [this.#offset, this.#share] = [new Float64Array(count * 4).fill(NaN), new Float64Array(count * 4).fill(NaN)];
    this.#rooms = Array.from({ length: count }, () => undefined);
    const items = new Map<number, number[]>();
    this.#parents.forEach((parent, i) => parent >= 0 && first.flow[parent] !== Laying.other && listIn(items, parent).push(i));
    for (const [around, own] of items) {
      const isGrid = first.flow[around] === Laying.grid;
      const one = isGrid ? FrGrid.of(around, own, measured) : new FlexLines(around, own, measured);
      this.#rooms[around] = one;
    }
    this.#written = new WrittenSides(written, measured);
    const before = written.size > 0 ? itemsBefore(first, this.#parents) : undefined;
    /** Elements whose shares are shares of the window: what a grid shares out isn't rounded alike. */
    const ofWindow = new Uint8Array(count);
    let period = 1;
    for (let i = 0; i < count; i++) {
      if (first.level[i] !== Level.block) continue;
      const parent = this.#parents[i]!;
      ofWindow[i] = parent < 0 || (ofWindow[parent] && first.flow[parent] !== Laying.grid && !isCell(i)) ? 1 : 0;
      for (let side = i * 4; side < i * 4 + 4; side += 2) {
        if (parent < 0 || first.flow[parent] === Laying.other) this.#offset[side] = this.#sameOffset(side, measured);
        const isLeft = Number.isNaN(this.#offset[side]) && !this.#rooms[parent]?.has(side);
        if (isLeft && before && this.#written.find(side, before[i]!)) continue;
        if (!isPlain || !ofWindow[i] || !Number.isNaN(this.#offset[side]) || span < SPAN_LEAST) continue;
        const one = shareOf(last.boxes[side]! - first.boxes[side]!, span);
        if (!one) continue;
        this.#share[side] = one.share;
        if (period <= PERIOD_MOST) period *= one.odd / commonDivisor(period, one.odd);
      }
    }
    this.#period = period;
    this.#like = Array.from({ length: period <= PERIOD_MOST ? period : 0 }, () => []);
    if (this.#like.length > 0) for (const facts of measured) this.#like[facts.viewport.width % period]!.push(facts);
    const isPaired = this.#isPaired;
    for (let side = 0; side < count * 4; side += 2) if (!isPaired || !this.#isAsMeasured(side)) this.#share[side] = NaN;
    // What stands in something that isn't known isn't either.
    for (let i = 0; i < count; i++) {
      const parent = this.#parents[i]!;
      if (parent < 0 || (this.#isKnown(parent * 4) && this.#isKnown(parent * 4 + 2))) continue;
      for (const side of [i * 4, i * 4 + 2]) {
        this.#offset[side] = this.#share[side] = NaN;
        this.#written.forget(side);
      }
      this.#rooms[parent] = undefined;
    }
  }

  #isKnown(side: number): boolean {
    const isNumber = (of: Float64Array) => !Number.isNaN(of[side]!);
    return (
      isNumber(this.#offset) ||
      isNumber(this.#share) ||
      this.#written.has(side) ||
      (this.#rooms[this.#parents[side >> 2]!]?.has(side) ?? false)
    );
  }

  /** How far a side is from that side of what it stands in, where it is as far at all measured widths. */
  #sameOffset(side: number, measured: readonly PageFacts[]): number {
    const parent = this.#parents[side >> 2]!;
    const beside = ({ boxes, viewport }: PageFacts) =>
      boxes[side]! - (parent >= 0 ? boxes[parent * 4 + (side % 4)]! : side % 4 === 0 ? 0 : viewport.width);
    const offset = beside(measured[0]!);
    return measured.every((facts) => Math.abs(beside(facts) - offset) < SAME) ? offset : NaN;
  }

  /** Whether two of the measured widths, far from each other, are rounded alike: to say whether it is so. */
  get #isPaired(): boolean {
    const [first, last] = [this.#widths[0]!, this.#widths[this.#widths.length - 1]!];
    return this.#like.some(
      (list) => 2 * (list[list.length - 1]?.viewport.width ?? 0) - 2 * (list[0]?.viewport.width ?? 0) >= last - first,
    );
  }

  /** Whether widths at which everything is rounded alike differ by the share, exactly. */
  #isAsMeasured(side: number): boolean {
    const share = this.#share[side]!;
    if (Number.isNaN(share)) return false;
    const off = (a: PageFacts, b: PageFacts) =>
      Math.abs(b.boxes[side]! - a.boxes[side]! - share * (b.viewport.width - a.viewport.width));
    return this.#like.every((list) => list.every((one) => off(list[0]!, one) < SAME));
  }

  /** Where a side of a box is, px; undefined where it isn't known to the very 1/64 px. @param side four an element, the left of which is 0 */
  at(side: number, width: number): number | undefined {
    const { asked, told } = this.#latest;
    if (asked[side] !== width) {
      asked[side] = width;
      told[side] = this.#find(side, width) ?? NaN;
    }
    const one = told[side]!;
    return one === one ? one : undefined;
  }

  /** Where left and right sides of elements are, in a list by side; NaN where that isn't known. Overwritten by the next call. */
  all(width: number, elements: readonly number[]): Float64Array {
    const { asked, told } = this.#latest;
    for (const element of this.#withAround(elements)) {
      const parent = this.#parents[element]!;
      for (let side = element * 4; side < element * 4 + 4; side += 2) {
        const offset = this.#offset[side]!;
        // All that it stands in comes before it.
        const isPlain = offset === offset && parent >= 0;
        told[side] = isPlain ? told[parent * 4 + (side % 4)]! + offset : (this.#find(side, width) ?? NaN);
        asked[side] = width;
      }
    }
    return told;
  }

  /** With all that they stand in, from the outermost. */
  #withAround(elements: readonly number[]): Int32Array {
    if (this.#around?.of === elements) return this.#around.all;
    const all = new Set<number>();
    for (const element of elements) for (let i = element; i >= 0 && !all.has(i); i = this.#parents[i]!) all.add(i);
    this.#around = { of: elements, all: Int32Array.from(all).sort() };
    return this.#around.all;
  }

  #find(side: number, width: number): number | undefined {
    const parent = this.#parents[side >> 2]!;
    const offset = this.#offset[side]!;
    if (offset === offset) {
      const from = parent >= 0 ? this.at(parent * 4 + (side % 4), width) : side % 4 === 0 ? 0 : width;
      return from === undefined ? undefined : from + offset;
    }
    const share = this.#share[side]!;
    const around = this.#rooms[parent];
    if (around?.has(side)) {
      const [from, to] = [this.at(parent * 4, width), this.at(parent * 4 + 2, width)];
      const told = from === undefined || to === undefined ? undefined : around.at(side, from, to);
      if (told !== undefined) return told;
    }
    if (this.#written.has(side)) return this.#written.at(side, { window: width, at: (other) => this.at(other, width) });
    const near = this.#nearTo(width);
    return near && share === share ? near.boxes[side]! + share * (width - near.viewport.width) : undefined;
  }

  /** A measured width at which all is rounded as at this one. Something may have happened just at an end, by less than is seen. */
  #nearTo(width: number): PageFacts | undefined {
    const list = this.#like[width % this.#period];
    const [first] = list ?? [];
    if (!list || !first || list.length > 1) return first;
    const isEnd = [this.#widths[0], this.#widths[this.#widths.length - 1]].includes(first.viewport.width);
    return isEnd && width !== first.viewport.width ? undefined : first;
  }

  /** A width that has to be measured before more is known; undefined where nothing is to be learned. */
  get lacks(): number | undefined {
    const [first, last] = [this.#widths[0]!, this.#widths[this.#widths.length - 1]!];
    const near = this.#widths[1]!;
    const isLike = (width: number) => this.#like.length === 0 || this.#nearTo(width) !== undefined;
    for (let width = near + 1; width < last; width++) if (!isLike(width)) return width;
    for (let width = near - 1; width > first; width--) if (!isLike(width)) return width;
    const pair = last - ((last - first) % this.#period);
    return this.#like.length === 0 || this.#isPaired || pair <= first ? undefined : pair;
  }
}
