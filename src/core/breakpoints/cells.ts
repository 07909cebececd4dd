import type { Breakpoint } from './breakpoint';
import type { Condition } from './condition';
import { conditionInterval, holdsAt } from './condition';
import type { Interval, IntervalSet } from './interval';
import { union } from './interval';
import type { Orientation, Pointer, Reader, Slice, Viewport } from './viewport';
import { MOTIONS, POINTERS, SCHEMES } from './viewport';

/**
 * A part of all viewports in which the same conditions hold everywhere: widths x heights, perhaps only the portrait
 * or the landscape ones of them, perhaps only with one pointer.
 */
export interface Cell {
  readonly widths: Interval;
  readonly heights: Interval;
  readonly orientation?: Orientation;
  readonly pointer?: Pointer;
  /** A viewport inside it. */
  readonly sample: Viewport;
}

function stretches(edges: readonly (number | undefined)[]): Interval[] {
  const inner = [...new Set(edges.filter((edge): edge is number => edge !== undefined))].sort((a, b) => a - b);
  return [0, ...inner].map((from, i) => ({ from, below: inner[i] ?? Infinity }));
}

const inside = ({ from, below }: Interval) => (below === Infinity ? from + 1000 : (from + below) / 2);

/** The readers between whom some condition makes a difference: just one where none does. */
function readersOf(conditions: readonly Condition[]): Partial<Reader>[] {
  const asks = (...parts: (keyof Condition)[]) =>
    conditions.some((condition) => parts.some((part) => condition[part] !== undefined));
  let readers: Partial<Reader>[] = asks('pointer', 'hover') ? POINTERS.map((pointer) => ({ pointer })) : [{}];
  if (asks('scheme')) readers = readers.flatMap((one) => SCHEMES.map((scheme) => ({ ...one, scheme })));
  if (asks('motion')) readers = readers.flatMap((one) => MOTIONS.map((motion) => ({ ...one, motion })));
  if (asks('densityFrom', 'densityBelow')) {
    const densities = stretches(conditions.flatMap(({ densityFrom, densityBelow }) => [densityFrom, densityBelow]));
    readers = readers.flatMap((one) =>
      densities.map(({ from, below }) => ({ ...one, density: below === Infinity ? from + 1 : (from + below) / 2 })),
    );
  }
  return readers;
}

/** The cells of any number of conditions: together they are all viewports, each viewport in one of them. */
export function cellsOf(conditions: readonly Condition[]): Cell[] {
  const widths = stretches(conditions.flatMap(({ from, below }) => [from, below]));
  const heights = stretches(conditions.flatMap(({ heightFrom, heightBelow }) => [heightFrom, heightBelow]));
  const readers = readersOf(conditions);
  const turned = conditions.some(({ orientation }) => orientation);
  const cells: Cell[] = [];
  for (const w of widths)
    for (const h of heights)
      for (const reader of readers) {
        const put = (sample: { width: number; height: number }, part: Partial<Cell>) =>
          cells.push({
            widths: w,
            heights: h,
            ...part,
            ...(reader.pointer && { pointer: reader.pointer }),
            sample: { ...sample, pointer: 'mouse', ...reader },
          });
        if (!turned) {
          put({ width: inside(w), height: inside(h) }, {});
          continue;
        }
        const upright = { from: w.from, below: Math.min(w.below, h.below) };
        if (upright.from < upright.below) {
          const width = upright.from;
          put({ width, height: Math.max(h.from, width) }, { orientation: 'portrait', widths: upright });
        }
        const across = { from: Math.max(w.from, h.from), below: w.below };
        if (across.from < across.below) {
          const width = across.below === Infinity ? across.from + 1000 : (across.from + across.below) / 2;
          put({ width, height: h.from }, { orientation: 'landscape', widths: across });
        }
      }
  return cells;
}

/** The breakpoints that hold in a cell, weakest first. */
export function holdingIn(breakpoints: readonly Breakpoint[], cell: Cell): Breakpoint[] {
  return breakpoints.filter(({ condition }) => holdsAt(condition, cell.sample));
}

/** One slice for each height, orientation and reader that matters: together their lanes show every value there is. */
export function slicesOf(conditions: readonly Condition[]): Slice[] {
  const seen = new Map<string, Slice>();
  for (const { sample } of cellsOf(conditions)) {
    const { width: _, ...slice } = sample;
    const key = `${slice.pointer} ${conditions.map((one) => Object.values(conditionInterval(one, slice)).join()).join()}`;
    if (!seen.has(key)) seen.set(key, slice);
  }
  return [...seen.values()];
}

/** The widths of cells, whatever their heights. */
export function widthsOfCells(cells: readonly Cell[]): IntervalSet {
  return union(...cells.map(({ widths }) => [widths]));
}

/** Whether a height, an orientation or a pointer makes a difference to some condition. */
export function cutsAcross(conditions: readonly Condition[]): boolean {
  return conditions.some(
    ({ heightFrom, heightBelow, orientation, pointer, hover }) =>
      heightFrom !== undefined || heightBelow !== undefined || orientation || pointer || hover !== undefined,
  );
}
