import type { PageFacts } from '../facts';
import { Level } from '../facts';
import { UNIT } from '../layout-unit';

/** What browsers say of whole units is exact. */
const SAME = 1e-6;
const single = Math.fround;

/** One column of a grid: a share of the room, or a length, px. */
type Column = { readonly fr: number } | { readonly px: number };

const REPEATED = /^repeat\((\d+|auto-fill|auto-fit), (.+)\)$/;
const ONE = /^(?:minmax\([^(),]*(?:\([^()]*\))?[^(),]*, )?([\d.]+)(fr|px)\)?$/;

/** Columns as they are specified; undefined for what isn't made of `fr` and lengths alone. */
function columnsOf(template: string, count: number): readonly Column[] | undefined {
  const [, times, repeated] = REPEATED.exec(template) ?? [];
  const words = (repeated ?? template).match(/minmax\((?:[^()]|\([^()]*\))*\)|\S+/g) ?? [];
  const columns: Column[] = [];
  for (const word of words) {
    const [, value, unit] = ONE.exec(word) ?? [];
    if (value === undefined || (unit === 'px' && word.startsWith('minmax'))) return undefined;
    columns.push(unit === 'fr' ? { fr: Number(value) } : { px: Number(value) });
  }
  if (columns.length === 0 || count % columns.length !== 0) return undefined;
  if (
    times === undefined ? columns.length !== count : Number.isInteger(Number(times)) && Number(times) * columns.length !== count
  )
    return undefined;
  return Array.from({ length: count }, (_, i) => columns[i % columns.length]!);
}

/**
 * Where columns end that share out a room by `fr`, px from its left end. As Chromium does: in numbers of single precision, each column a whole number of
 * 1/64 px, what is left of it handed on to the next. (CSS Grid 1, 12.7, leaves rounding to browsers.)
 */
export function columnEnds(columns: readonly Column[], gap: number, room: number): number[] {
  let [total, free] = [0, room - gap * (columns.length - 1)];
  for (const column of columns) {
    if ('fr' in column) total = single(total + single(column.fr));
    else free -= column.px;
  }
  const each = single(single(free) / Math.max(1, total));
  let [left, end] = [0, -gap];
  return columns.map((column) => {
    let size = 'px' in column ? column.px : 0;
    if ('fr' in column) {
      const share = single(single(each * single(column.fr)) + left);
      size = Math.trunc(share / UNIT) * UNIT;
      left = Math.max(0, single(share - size));
    }
    return (end += gap + size);
  });
}

/** A grid of which it is known where its items end, whatever room it has. */
export class FrGrid {
  /** Of the room that was asked for last: items ask one after the other. */
  #last = { room: NaN, ends: [] as readonly number[] };

  private constructor(
    private readonly columns: readonly Column[],
    private readonly gap: number,
    private readonly insets: readonly [left: number, right: number],
    /** By side of an item, four an element: its column. */
    private readonly column: ReadonlyMap<number, number>,
  ) {}

  /**
   * @param items elements that lie in it
   * @param measured viewports; undefined where any of them isn't as it would be worked out
   */
  static of(grid: number, items: readonly number[], measured: readonly PageFacts[]): FrGrid | undefined {
    const { grids, boxes, shown, level } = measured[0]!;
    const { template, columns: count } = grids.get(grid)!;
    const written = columnsOf(template, count);
    const here = items.filter((i) => shown[i] && level[i] === Level.block);
    if (!written || here.length === 0) return undefined;
    const distinct = (side: number) => [...new Set(here.map((i) => boxes[i * 4 + side]!))].sort((a, b) => a - b);
    const [starts, ends] = [distinct(0), distinct(2)];
    if (starts.length !== count || ends.length !== count) return undefined;
    const column = new Map(
      here.flatMap((i) => [
        [i * 4, starts.indexOf(boxes[i * 4]!)],
        [i * 4 + 2, ends.indexOf(boxes[i * 4 + 2]!)],
      ]),
    );
    // CSS Grid 1, 12.7.1: what would be narrower than what stands in it stays as wide as that, and the others share what is left.
    const columns = written.map((one, at) => {
      const item = here.find((i) => column.get(i * 4) === at && column.get(i * 4 + 2) === at);
      if (item === undefined || !('fr' in one)) return one;
      const [px, ...others] = measured.map((facts) => facts.boxes[item * 4 + 2]! - facts.boxes[item * 4]!) as [
        number,
        ...number[],
      ];
      return others.every((other) => Math.abs(other - px) < SAME) ? { px } : one;
    });
    if (!columns.some((column) => 'fr' in column)) return undefined;
    const gap = count > 1 ? starts[1]! - ends[0]! : 0;
    const [left, right] = [starts[0]! - boxes[grid * 4]!, boxes[grid * 4 + 2]! - ends[count - 1]!];
    // The last column may end one unit before the room does.
    for (const inset of [right, right - UNIT]) {
      const one = new FrGrid(columns, gap, [left, inset], column);
      if (measured.every((facts) => one.#isAs(facts.boxes, grid))) return one;
    }
    return undefined;
  }

  has(side: number): boolean {
    return this.column.has(side);
  }

  /** Where a side of an item is, px, where the grid begins and ends so. */
  at(side: number, from: number, to: number): number {
    const { columns, gap, insets } = this;
    const column = this.column.get(side)!;
    const begin = from + insets[0];
    if (side % 4 === 0 && column === 0) return begin;
    const room = to - insets[1] - begin;
    if (this.#last.room !== room) this.#last = { room, ends: columnEnds(columns, gap, room) };
    const { ends } = this.#last;
    return begin + (side % 4 === 0 ? ends[column - 1]! + gap : ends[column]!);
  }

  #isAs(boxes: Float64Array, grid: number): boolean {
    const [from, to] = [boxes[grid * 4]!, boxes[grid * 4 + 2]!];
    const ends = columnEnds(this.columns, this.gap, to - this.insets[1] - from - this.insets[0]);
    const begin = from + this.insets[0];
    for (const [side, column] of this.column) {
      const is = begin + (side % 4 === 2 ? ends[column]! : column === 0 ? 0 : ends[column - 1]! + this.gap);
      if (Math.abs(is - boxes[side]!) > SAME) return false;
    }
    return true;
  }
}
