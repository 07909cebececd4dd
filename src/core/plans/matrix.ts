import type { Breakpoint, Condition } from '../breakpoints';
import { bandsOf, BASE, conditionInterval, DEFAULT_SLICE, EDGE_MAX, sameCondition } from '../breakpoints';
import { isWidthOnly } from '../breakpoints/condition';
import type { Project } from '../document/project';
import { allOwners } from '../edits/owners';

export const ORIENTATIONS = ['portrait', 'landscape'] as const;
export type Orientation = (typeof ORIENTATIONS)[number];

/** One size held one way. */
export interface MatrixCell {
  readonly orientation: Orientation;
  /** Just this size held just this way. */
  readonly condition: Condition;
  /** The breakpoint that asks for just this, where there is one; without, the cell is as what lies beneath it. */
  readonly breakpoint?: Breakpoint | undefined;
  /** How many values are written there. */
  readonly values: number;
  /** A viewport in it; undefined where none of the heights that can be looked at is in it. */
  readonly viewport: { readonly width: number; readonly height: number } | undefined;
}

export interface MatrixRow {
  readonly name: string;
  readonly from: number;
  readonly below: number;
  /** Where a value for the size is written, however it is held. */
  readonly home: string;
  readonly values: number;
  readonly cells: readonly MatrixCell[];
}

/** Heights that can be looked at, px. */
const HEIGHTS = { least: 200, most: 2_000 } as const;
const WIDTH_MOST = 2_560;
const WIDTH_LEAST = 240;

/** A viewport of a size held upright or turned, as near to a device's as its edges allow. */
function viewportIn(from: number, below: number, orientation: Orientation): MatrixCell['viewport'] {
  const [least, most] = [Math.max(WIDTH_LEAST, Math.ceil(from)), Math.min(WIDTH_MOST, Math.ceil(below) - 1)];
  const usual = orientation === 'portrait' ? 800 : 1_200;
  const width = Math.min(most, Math.max(least, usual));
  const height = Math.round(
    orientation === 'portrait' ? Math.max(width, Math.min(HEIGHTS.most, width * 1.5)) : Math.max(HEIGHTS.least, width / 1.6),
  );
  const isIn = orientation === 'portrait' ? height >= width && height <= HEIGHTS.most : height < width;
  return least <= most && isIn ? { width, height } : undefined;
}

/** How many values are written at each breakpoint. */
function valuesAt(project: Project): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const { styles } of allOwners(project))
    for (const [at, declarations] of Object.entries(styles))
      counts.set(at, (counts.get(at) ?? 0) + Object.keys(declarations).length);
  return counts;
}

/** The sizes of a project, narrow first, each held upright and turned. Sizes are bands between breakpoints that ask only for a width. */
export function matrixOf(project: Project): readonly MatrixRow[] {
  const counts = valuesAt(project);
  const byWidth = project.breakpoints.filter(({ condition }) => isWidthOnly(condition));
  return bandsOf({ breakpoints: byWidth, baseName: project.baseName }).map(({ name, from, below, home }): MatrixRow => ({
    ...{ name, from, below, home, values: counts.get(home) ?? 0 },
    cells: ORIENTATIONS.map((orientation): MatrixCell => {
      const condition: Condition = {
        ...(from > 0 && { from }),
        ...(below < Math.min(Infinity, EDGE_MAX) && { below }),
        orientation,
      };
      const breakpoint = project.breakpoints.find(
        (one) => sameCondition(one.condition, condition) || saysSame(one.condition, condition),
      );
      return {
        ...{ orientation, condition, breakpoint, viewport: viewportIn(from, below, orientation) },
        values: breakpoint ? (counts.get(breakpoint.id) ?? 0) : 0,
      };
    }),
  }));
}

/** Whether a condition in em asks for the same widths as one in px, for a reader with the usual text size. */
function saysSame(a: Condition, b: Condition): boolean {
  if (a.orientation !== b.orientation || a.heightFrom !== undefined || a.heightBelow !== undefined || a.pointer !== undefined)
    return false;
  const widths = ({ from, below, unit }: Condition) =>
    conditionInterval(
      { ...(from !== undefined && { from }), ...(below !== undefined && { below }), ...(unit && { unit }) },
      DEFAULT_SLICE,
    );
  const [x, y] = [widths(a), widths(b)];
  return x.from === y.from && x.below === y.below;
}

/** What a cell shows that says nothing itself: the size however it is held. */
export const beneathCell = (project: Project, { home }: MatrixRow): string =>
  home === BASE ? project.baseName : (project.breakpoints.find(({ id }) => id === home)?.name ?? project.baseName);
