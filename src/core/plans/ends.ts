import type { Breakpoint, Cell } from '../breakpoints';
import { cellsOf, EDGE_MAX, isWidthOnly, placed } from '../breakpoints';
import { conditionsOf } from '../cascade/sources';
import type { Project } from '../document/project';

/**
 * With which breakpoints something can end at a width: those that are there where one has an edge at it, else with one more.
 * @param to the width, px; none or beyond the greatest edge where it goes on for ever
 * @param newId for a breakpoint that may be needed
 */
export function endsAt(project: Project, to: number, newId: string) {
  const { breakpoints } = project;
  // Beyond the last edge there is no end.
  const unending = to <= 0 || to >= EDGE_MAX;
  const isEdge = unending || breakpoints.some(({ condition }) => condition.from === to || condition.below === to);
  // A new breakpoint goes the way the others go; the other way where only that can say it.
  const upward = breakpoints.every(({ condition }) => !isWidthOnly(condition) || condition.below === undefined);
  const conditions = upward && breakpoints.length > 0 ? [{ from: to }, { below: to }] : [{ below: to }, { from: to }];
  const sets: readonly (readonly Breakpoint[])[] = isEdge
    ? [breakpoints]
    : conditions.map((condition) => placed(breakpoints, { id: newId, name: `At ${Math.round(to)}`, condition }));
  const cells: readonly Cell[] = cellsOf([...conditionsOf(project), ...(unending ? [] : [{ below: to }])]);
  return { isEdge, sets, cells };
}
