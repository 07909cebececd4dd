import { breakpointName } from '../breakpoints/name';
import type { IntervalSet } from '../breakpoints/interval';
import { subtract } from '../breakpoints/interval';
import { conditionInterval } from '../breakpoints/condition';
import { DEFAULT_SLICE } from '../breakpoints/viewport';
import type { WidthRange } from '../document/profile';
import type { Project } from '../document/project';
import type { Edit } from '../edits/edit';

/** Where a mend is written: under a breakpoint that is there, or under a new one at the exact width. */
export interface WritePlace {
  readonly at: string;
  /** "at 599 and narrower". */
  readonly words: string;
  /** Makes the breakpoint, where it isn't there yet. */
  readonly before: readonly Edit[];
}

interface Stretch {
  readonly from: number;
  readonly below: number;
}

const wordsOf = ({ from, below }: Stretch, range: WidthRange) =>
  from <= range.first
    ? `at ${below - 1} and narrower`
    : below > range.last
      ? `at ${from} and wider`
      : `at ${from} to ${below - 1}`;

/** A breakpoint id that isn't taken, the same for the same widths. */
function freeId(project: Project, from: number, below: number): string {
  for (let n = 0; ; n++) {
    const id = `bx${from}x${Math.min(below, 9999)}${n > 0 ? `x${n}` : ''}`;
    if (!project.breakpoints.some((one) => one.id === id)) return id;
  }
}

/** The stretch from the first to the last width of a set. */
function hull(widths: IntervalSet): Stretch {
  return { from: widths[0]!.from, below: widths[widths.length - 1]!.below };
}

/** A condition for a stretch: open to the side on which the stretch reaches the end of the swept range. */
function conditionFor({ from, below }: Stretch, range: WidthRange): Partial<Stretch> {
  return { ...(from > range.first && { from }), ...(below <= range.last && { below }) };
}

/** The places that cover all of a finding's widths, the closest first, then the base; one to be made comes last. */
export function placesFor(project: Project, widths: IntervalSet): WritePlace[] {
  if (widths.length === 0) return [];
  const { range } = project.audit;
  const stretch = hull(widths);
  const places: (WritePlace & { readonly size: number })[] = [];
  for (const { id, condition } of project.breakpoints) {
    if (condition.orientation || condition.pointer || condition.heightFrom || condition.heightBelow) continue;
    const { from, below } = conditionInterval(condition, DEFAULT_SLICE);
    if (subtract([stretch], [{ from, below }]).length > 0) continue;
    places.push({
      at: id,
      words: wordsOf({ from, below }, range),
      before: [],
      size: Math.min(below, range.last + 1) - Math.max(from, range.first),
    });
  }
  const whole = stretch.from <= range.first && stretch.below > range.last;
  const exact = places.some(({ size }) => size === stretch.below - stretch.from);
  const made: WritePlace[] = [];
  if (!whole && !exact) {
    const id = freeId(project, stretch.from, stretch.below);
    const condition = conditionFor(stretch, range);
    const name = breakpointName(project, condition);
    made.push({
      at: id,
      words: `${wordsOf(stretch, range)}, with a breakpoint there`,
      before: [{ type: 'addBreakpoint', breakpoint: { id, name, condition } }],
    });
  }
  places.push({ at: 'base', words: 'at all widths', before: [], size: Infinity });
  // A new breakpoint is the last resort.
  return [...places.sort((a, b) => a.size - b.size).slice(0, 2), ...made];
}
