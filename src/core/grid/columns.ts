import type { At } from '../breakpoints/breakpoint';
import { BASE } from '../breakpoints/breakpoint';
import { holdsAt } from '../breakpoints/condition';
import type { Interval, IntervalSet } from '../breakpoints/interval';
import { intersect, normalise } from '../breakpoints/interval';
import { bandsOf } from '../breakpoints/bands';
import type { Slice, Viewport } from '../breakpoints/viewport';
import { DEFAULT_SLICE } from '../breakpoints/viewport';
import type { Page, Project } from '../document/project';
import type { ColumnGrid } from '../document/column-grid';

/** A column grid laid on a page. All in CSS px from the left edge of the page. */
export interface Columns {
  readonly left: number;
  readonly columnWidth: number;
  readonly gutter: number;
  readonly count: number;
  /** Body width: columns and gutters. */
  readonly body: number;
  /** False where gutters leave no room, or columns of a fixed width reach past the page's margins. */
  readonly fits: boolean;
  readonly tight: boolean;
}

/** Lays a grid on a page of `width` px. Columns never get thinner than nothing. */
export function layColumns(grid: ColumnGrid, width: number): Columns {
  const { columns: count, gutter, margin } = grid;
  const gutters = (count - 1) * gutter;
  const room = Math.min(grid.bodyMost ?? Infinity, width - 2 * margin);
  const columnWidth = grid.columnWidth ?? Math.max(0, (room - gutters) / count);
  const body = columnWidth * count + gutters;
  const free = width - 2 * margin - body;
  const left = margin + (grid.align === 'centre' && free > 0 ? free / 2 : 0);
  const fits = grid.columnWidth === undefined ? room >= gutters : body <= width - 2 * margin + 1e-9;
  return { left, columnWidth, gutter, count, body, fits, tight: columnWidth < grid.columnLeast };
}

/** Left and right edge of each column, px. */
export function edgesOfColumns({ left, columnWidth, gutter, count }: Columns): { left: number; right: number }[] {
  return Array.from({ length: count }, (_, i) => {
    const start = left + i * (columnWidth + gutter);
    return { left: start, right: start + columnWidth };
  });
}

export interface ChosenGrid {
  readonly grid: ColumnGrid;
  readonly at: At;
  /** Whether the page has it for itself. */
  readonly own: boolean;
}

/**
 * The grid of a page at a viewport: the page's own strongest that holds, else the project's. Strength is the order of
 * the breakpoints, as it is for values.
 */
export function gridAt(project: Project, page: Page, viewport: Viewport): ChosenGrid | undefined {
  const holding = project.breakpoints.filter(({ condition }) => holdsAt(condition, viewport)).map(({ id }) => id);
  const places = [BASE, ...holding].reverse();
  for (const [grids, own] of [
    [page.columns, true],
    [project.columns, false],
  ] as const)
    for (const at of places) if (grids?.[at]) return { grid: grids[at], at, own };
  return undefined;
}

/** Widths at which stretching columns are thinner than a limit, or a grid of fixed ones no longer fits; px. */
function below(grid: ColumnGrid, limit: number): number {
  const { columns, gutter, margin, columnWidth } = grid;
  if (columnWidth !== undefined) return columns * columnWidth + (columns - 1) * gutter + 2 * margin;
  const body = columns * limit + (columns - 1) * gutter;
  // A body that stops growing may never be wide enough.
  return body > (grid.bodyMost ?? Infinity) ? Infinity : body + 2 * margin;
}

export interface GridTrouble extends Interval {
  readonly kind: 'tight' | 'does-not-fit';
  readonly grid: ColumnGrid;
  readonly at: At;
}

/** Where the page's grid is too tight or doesn't fit, exactly; at one height and with one pointer. */
export function gridTroubles(project: Project, page: Page, slice: Slice = DEFAULT_SLICE): GridTrouble[] {
  return bandsOf(project, slice).flatMap((band): GridTrouble[] => {
    const chosen = gridAt(project, page, { ...slice, width: band.from });
    if (!chosen) return [];
    const { grid, at } = chosen;
    const cut = (kind: GridTrouble['kind'], to: number): GridTrouble[] =>
      intersect([band], [{ from: 0, below: to }]).map((part) => ({ ...part, kind, grid, at }));
    const troubles = cut('does-not-fit', below(grid, 0));
    if (grid.columnWidth !== undefined)
      return grid.columnWidth < grid.columnLeast ? [...troubles, ...cut('tight', Infinity)] : troubles;
    return grid.columnLeast === 0 ? troubles : [...troubles, ...cut('tight', below(grid, grid.columnLeast))];
  });
}

export function widthsOfTroubles(troubles: readonly GridTrouble[], kind: GridTrouble['kind']): IntervalSet {
  return normalise(troubles.filter((one) => one.kind === kind));
}
