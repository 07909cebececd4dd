import { Level, Positioning } from '../codes';
import type { PageFacts } from '../facts';
import { UNIT } from '../layout-unit';

/** What browsers say of whole units is exact. */
const SAME = 1e-6;

/**
 * Shares a room out evenly, px. As Chromium does: each has its part of what is left in whole units of 1/64 px, the first rounded down, the second up, and
 * so on. (CSS Flexbox 1, 9.7, leaves rounding to browsers.)
 */
export function evenShares(room: number, count: number): number[] {
  let left = Math.round(room / UNIT);
  return Array.from({ length: count }, (_, i) => {
    const share = left / (count - i);
    const units = i % 2 === 0 ? Math.floor(share) : Math.ceil(share);
    left -= units;
    return units * UNIT;
  });
}

const isEven = (room: number, count: number) => Math.round(room / UNIT) % count === 0;

/** One line of a row, whose items grow evenly or stay as wide as they are. */
interface Line {
  readonly items: readonly number[];
  /** From the end of the item before, or of where the row begins, px. */
  readonly gaps: readonly number[];
  /** From the last item to where the row ends, px. */
  readonly end: number;
  /** Widths of those that stay, px. */
  readonly fixed: readonly (number | undefined)[];
  readonly growing: number;
  /** Whether a room that isn't shared out without a rest was measured. */
  readonly isTold: boolean;
}

const sum = (list: readonly (number | undefined)[]): number => list.reduce<number>((all, one) => all + (one ?? 0), 0);
const wide = ({ boxes }: PageFacts, i: number) => boxes[i * 4 + 2]! - boxes[i * 4]!;

/** What growing items share, px, in a row from one place to another. */
const roomIn = ({ gaps, fixed, end }: Pick<Line, 'gaps' | 'fixed' | 'end'>, from: number, to: number) =>
  to - end - from - sum(gaps) - sum(fixed);

/** Where the items of a line begin and end, px. */
function sidesIn(line: Line, from: number, to: number): readonly (readonly [left: number, right: number])[] {
  const shares = evenShares(roomIn(line, from, to), line.growing);
  let at = from;
  return line.items.map((_, i) => {
    const left = at + line.gaps[i]!;
    at = left + (line.fixed[i] ?? shares.shift()!);
    return [left, at];
  });
}

/** A line as it is measured; undefined where any of that isn't as it would be worked out. */
function lineOf(row: number, items: readonly number[], measured: readonly PageFacts[]): Line | undefined {
  const edges = ({ boxes }: PageFacts) => [boxes[row * 4]!, boxes[row * 4 + 2]!] as const;
  const [first] = measured as [PageFacts];
  const gapsOf = (facts: PageFacts) =>
    items.map((item, i) => facts.boxes[item * 4]! - (i === 0 ? edges(facts)[0] : facts.boxes[items[i - 1]! * 4 + 2]!));
  const last = items[items.length - 1]!;
  const fixed = items.map((item) => {
    const own = wide(first, item);
    return measured.every((facts) => Math.abs(wide(facts, item) - own) < SAME) ? own : undefined;
  });
  const growing = fixed.filter((one) => one === undefined).length;
  const plain = { items, gaps: gapsOf(first), end: edges(first)[1] - first.boxes[last * 4 + 2]!, fixed, growing };
  const isTold = measured.some((facts) => growing > 0 && !isEven(roomIn(plain, ...edges(facts)), growing));
  const line = { ...plain, isTold };
  const isAs = (facts: PageFacts) =>
    sidesIn(line, ...edges(facts)).every(
      ([left, right], i) =>
        Math.abs(left - facts.boxes[items[i]! * 4]!) < SAME && Math.abs(right - facts.boxes[items[i]! * 4 + 2]!) < SAME,
    );
  return measured.every(isAs) ? line : undefined;
}

/** A row of flex of which it is known where the items of some lines begin and end, whatever room it has. */
export class FlexLines {
  /** By item: its line. */
  readonly #lines = new Map<number, Line>();

  /**
   * @param items elements that lie in it
   * @param measured viewports between which nothing changes its line
   */
  constructor(row: number, items: readonly number[], measured: readonly PageFacts[]) {
    const { boxes, shown, level, position } = measured[0]!;
    const inFlow = (i: number) => position[i] !== Positioning.absolute && position[i] !== Positioning.fixed;
    const here = items.filter((i) => shown[i] && level[i] === Level.block && inFlow(i));
    const lines: number[][] = [];
    for (const item of here) {
      const line = lines[lines.length - 1];
      if (line && boxes[item * 4]! >= boxes[line[line.length - 1]! * 4 + 2]! - UNIT) line.push(item);
      else lines.push([item]);
    }
    for (const own of lines) {
      const line = lineOf(row, own, measured);
      if (line) for (const item of own) this.#lines.set(item, line);
    }
  }

  has(side: number): boolean {
    return this.#lines.has(side >> 2);
  }

  /** Where a side of an item is, px, where the row begins and ends so; undefined where that isn't certain. */
  at(side: number, from: number, to: number): number | undefined {
    const line = this.#lines.get(side >> 2)!;
    if (line.growing > 1 && !line.isTold && !isEven(roomIn(line, from, to), line.growing)) return undefined;
    return sidesIn(line, from, to)[line.items.indexOf(side >> 2)]![side % 4 === 0 ? 0 : 1];
  }
}
