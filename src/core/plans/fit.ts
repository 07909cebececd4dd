import type { At, Breakpoint } from '../breakpoints/breakpoint';
import { BASE, takenBy } from '../breakpoints/breakpoint';
import type { Cell } from '../breakpoints/cells';
import { holdsAt } from '../breakpoints/condition';

/** Undefined: nothing is to be said here. */
export type Wanted = (cell: Cell) => string | undefined;

let last: { breakpoints: unknown; cells: unknown; speakers: readonly (readonly At[])[] } | undefined;

/** For each cell the places that have a say there, weakest first. Asked for again and again with the same set. */
function speakersIn(breakpoints: readonly Breakpoint[], cells: readonly Cell[]): readonly (readonly At[])[] {
  if (last?.breakpoints !== breakpoints || last.cells !== cells)
    last = {
      breakpoints,
      cells,
      speakers: cells.map((cell) => [
        BASE,
        ...breakpoints.filter(({ condition }) => holdsAt(condition, cell.sample)).flatMap(({ id }) => takenBy(breakpoints, id)),
      ]),
    };
  return last.speakers;
}

/**
 * What has to be written at the base and under breakpoints so that one owner says, in every cell, what is wanted there;
 * as little as says it. Undefined where these breakpoints can't say it.
 * @param breakpoints those that may be written to, in the order of the set; what they take over is seen to
 */
export function fitDeclarations(
  breakpoints: readonly Breakpoint[],
  cells: readonly Cell[],
  wanted: Wanted,
): Readonly<Record<string, string>> | undefined {
  const holding = speakersIn(breakpoints, cells);
  const goals = cells.map(wanted);
  const written: Record<string, string> = {};
  const said = (at: readonly At[]) => at.findLast((one) => one in written);
  const fits = () => goals.every((goal, i) => written[said(holding[i]!) ?? ''] === goal);

  // Each cell is decided by the strongest that holds there, so that one says what the cell wants.
  const silent = new Set<At>();
  for (const [i, at] of holding.entries()) {
    const home = at[at.length - 1]!;
    const goal = goals[i];
    if (goal === undefined) silent.add(home);
    else if (written[home] !== undefined && written[home] !== goal) return undefined;
    else written[home] = goal;
  }
  if ([...silent].some((at) => at in written)) return undefined;
  // What nobody needs is taken out again, the strongest first; where something must be silent it has to go.
  for (const at of [BASE, ...breakpoints.map(({ id }) => id)].reverse()) {
    const value = written[at];
    if (value === undefined) continue;
    delete written[at];
    if (!goals.every((goal, i) => !holding[i]!.includes(at) || goal !== value || written[said(holding[i]!) ?? ''] === goal))
      written[at] = value;
  }
  return fits() ? written : undefined;
}

/**
 * The same, with what lies beneath written out where nothing is to be said but silence can't be kept: the value then
 * ends by another value, not by none.
 */
export function fitOrWriteOut(
  breakpoints: readonly Breakpoint[],
  cells: readonly Cell[],
  wanted: Wanted,
  beneath: Wanted,
): Readonly<Record<string, string>> | undefined {
  return (
    fitDeclarations(breakpoints, cells, wanted) ?? fitDeclarations(breakpoints, cells, (cell) => wanted(cell) ?? beneath(cell))
  );
}
