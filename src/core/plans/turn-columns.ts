import { BASE } from '../breakpoints/breakpoint';
import { bandsOf } from '../breakpoints/bands';
import { holdsAt } from '../breakpoints/condition';
import { DEFAULT_SLICE } from '../breakpoints/viewport';
import type { Project } from '../document/project';
import type { Edit } from '../edits/edit';
import type { ColumnGrid, ColumnGrids } from '../document/column-grid';

/**
 * What must be set so that, with another set of breakpoints, every band keeps the column grid it had: at the usual
 * height and pointer, and as far as one grid a place can say it.
 * @param after the project with the new set, its grids still as they were
 */
export function columnsKept(before: Project, after: Project): Edit[] {
  const kept = (page: string | null, grids: ColumnGrids | undefined): Edit[] => {
    if (!grids || Object.keys(grids).length === 0) return [];
    const wanted = new Map<string, ColumnGrid>();
    for (const { from, home } of bandsOf(after)) {
      const viewport = { ...DEFAULT_SLICE, width: from };
      const holding = before.breakpoints.filter(({ condition }) => holdsAt(condition, viewport)).map(({ id }) => id);
      const strongest = (of: ColumnGrids) => of[[BASE, ...holding].findLast((one) => of[one]) ?? ''];
      // A page can't say that its own grid has ended; it takes the project's as its own there.
      const grid = strongest(grids) ?? (page === null ? undefined : strongest(before.columns));
      if (grid && !wanted.has(home)) wanted.set(home, grid);
    }
    return [...wanted].flatMap(([at, grid]): Edit[] => (grids[at] === grid ? [] : [{ type: 'setColumns', page, at, grid }]));
  };
  return [...kept(null, before.columns), ...before.pages.flatMap(({ id, columns }) => kept(id, columns))];
}
