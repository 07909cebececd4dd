import { Laying, Level, Positioning } from '../codes';
import type { PageFacts } from '../facts';
import type { Written, WrittenWidth } from './written-widths';
import { lengthIn } from './written-widths';
import { UNIT } from '../layout-unit';

/** What browsers say of whole numbers of 1/64 px is exact. */
const SAME = 1e-6;
/**
 * Between measured widths that are nearer to each other, px, shares can't be told apart: a shrunk item of 30%, which grew by 0.3016 of the window, was taken for
 * one of 30% and 211 px less.
 */
export const SPAN_LEAST = 40;

const NONE: Written = { share: 0, px: 0 };
const PLAIN: WrittenWidth = { padding: [NONE, NONE], border: [0, 0], margin: [NONE, NONE], width: undefined };

/** Where sides of boxes are at one width of the window, px; undefined for those that aren't known. */
export interface Sides {
  readonly window: number;
  readonly at: (side: number) => number | undefined;
}
interface Rule {
  /** Where a side is by what it hangs on; undefined where that isn't known. */
  readonly told: (sides: Sides) => number | undefined;
  /** How far off that it is where all is as it is written, px; anything where no share is in it. */
  readonly off?: readonly number[];
}

const asMeasured = ({ boxes, viewport }: PageFacts): Sides => ({ window: viewport.width, at: (side) => boxes[side] });

/** Where boxes end by what is written of their widths, paddings and margins, where all that was measured is so. */
export class WrittenSides {
  readonly #parents: Int32Array;
  readonly #rules = new Map<number, Rule['told']>();
  /** Whether what was measured is too near to each other. */
  readonly #isNear: boolean;

  /** @param measured of neighbouring widths between which nothing changes but how large things are */
  constructor(
    private readonly written: ReadonlyMap<number, WrittenWidth>,
    private readonly measured: readonly PageFacts[],
  ) {
    this.#parents = Int32Array.from(measured[0]!.elements, ({ parent }) => parent);
    this.#isNear = measured[measured.length - 1]!.viewport.width - measured[0]!.viewport.width < SPAN_LEAST;
  }

  has(side: number): boolean {
    return this.#rules.has(side);
  }

  at(side: number, sides: Sides): number | undefined {
    return this.#rules.get(side)?.(sides);
  }

  forget(side: number): void {
    this.#rules.delete(side);
  }

  /** Finds out what a side follows. @param before the item that stands before it in its row; -1 for none @returns whether anything */
  find(side: number, before: number): boolean {
    const { level, position } = this.measured[0]!;
    const i = side >> 2;
    if (level[i] !== Level.block || position[i]! >= Positioning.absolute || this.#parents[i]! < 0) return false;
    for (const rule of side % 4 === 0 ? this.#leftRules(i, before) : this.#rightRules(i)) {
      const one = this.#settled(side, rule);
      if (!one) continue;
      this.#rules.set(side, one);
      return true;
    }
    return false;
  }

  /** A rule with how far off it always is: undefined where that differs. */
  #settled(side: number, { told, off: allowed }: Rule): Rule['told'] | undefined {
    let by: number | undefined;
    for (const facts of this.measured) {
      const one = told(asMeasured(facts));
      if (one === undefined) return undefined;
      const off = facts.boxes[side]! - one;
      by ??= off;
      if (Math.abs(off - by) > SAME) return undefined;
    }
    if (this.#isNear && allowed && !allowed.some((one) => Math.abs(one - by!) < SAME)) return undefined;
    return (sides) => {
      const one = told(sides);
      return one === undefined ? undefined : one + by!;
    };
  }

  #of(i: number): WrittenWidth {
    return this.written.get(i) ?? PLAIN;
  }

  /** The room in an element, from where to where. */
  #room(i: number, sides: Sides): readonly [number, number] | undefined {
    if (i < 0) return [0, sides.window];
    const [left, right] = [sides.at(i * 4), sides.at(i * 4 + 2)];
    if (left === undefined || right === undefined) return undefined;
    const { padding, border } = this.#of(i);
    const [before, after] = padding;
    if (!before || !after) return undefined;
    let wide = 0;
    if (before.share !== 0 || after.share !== 0) {
      const around = this.#room(this.#parents[i]!, sides);
      if (!around) return undefined;
      wide = around[1] - around[0];
    }
    return [left + border[0] + lengthIn(before, wide), right - border[1] - lengthIn(after, wide)];
  }

  *#leftRules(i: number, before: number): Generator<Rule> {
    const { margin, width } = this.#of(i);
    const parent = this.#parents[i]!;
    const [own] = margin;
    if (before >= 0) yield { told: (sides) => sides.at(before * 4 + 2) };
    if (own) {
      const told = (sides: Sides) => {
        const room = this.#room(parent, sides);
        return room && room[0] + lengthIn(own, room[1] - room[0]);
      };
      yield { told, ...(own.share !== 0 && { off: [0] }) };
    }
    if (margin.some((one) => one !== undefined)) return;
    // In the middle of the room.
    for (const one of width ? [width, undefined] : [undefined]) {
      const wideIn = (room: readonly [number, number]) => (one ? lengthIn(one, room[1] - room[0]) : 0);
      const [first] = this.measured as [PageFacts];
      const there = this.#room(parent, asMeasured(first));
      if (!there) return;
      const rest = first.boxes[i * 4 + 2]! - first.boxes[i * 4]! - wideIn(there);
      const told = (sides: Sides) => {
        const room = this.#room(parent, sides);
        return room && room[0] + Math.trunc((room[1] - room[0] - wideIn(room) - rest) / UNIT / 2) * UNIT;
      };
      yield { told, off: [0] };
    }
  }

  *#rightRules(i: number): Generator<Rule> {
    const { margin, width, padding, border } = this.#of(i);
    const parent = this.#parents[i]!;
    // Paddings may be counted to it or not; those that are px are as far everywhere.
    const shared = padding.flatMap((one) => (one && one.share !== 0 ? [one] : []));
    const plain = padding.reduce((sum, one) => sum + (one && one.share === 0 ? one.px : 0), border[0] + border[1]);
    for (const beside of width ? [[], ...(shared.length > 0 ? [shared] : [])] : []) {
      const told = (sides: Sides) => {
        const [left, room] = [sides.at(i * 4), this.#room(parent, sides)];
        if (left === undefined || !room) return undefined;
        return [width!, ...beside].reduce((end, one) => end + lengthIn(one, room[1] - room[0]), left);
      };
      yield { told, off: [0, plain] };
    }
    yield { told: (sides) => sides.at(i * 4) };
    const [, own] = margin;
    if (!own) return;
    const told = (sides: Sides) => {
      const room = this.#room(parent, sides);
      return room && room[1] - lengthIn(own, room[1] - room[0]);
    };
    yield { told, ...(own.share !== 0 && { off: [0] }) };
  }
}

/** By item of a row the one that it stands beside, -1 for none. */
export function itemsBefore({ flow, boxes, shown, level, position }: PageFacts, parents: Int32Array): Int32Array {
  const before = new Int32Array(parents.length).fill(-1);
  const last = new Map<number, number>();
  parents.forEach((parent, i) => {
    const isItem = parent >= 0 && (flow[parent] === Laying.row || flow[parent] === Laying.wrappingRow);
    if (!isItem || !shown[i] || level[i] !== Level.block || position[i]! >= Positioning.absolute) return;
    const one = last.get(parent);
    if (one !== undefined && boxes[i * 4]! >= boxes[one * 4 + 2]! - UNIT) before[i] = one;
    last.set(parent, i);
  });
  return before;
}
