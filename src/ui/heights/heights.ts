import type { Breakpoint, Condition } from '@/core/breakpoints';
import { EDGE_MAX, sameCondition } from '@/core/breakpoints';
import type { Edit } from '@/core/edits';
import { announce, commitOrReport } from '../editing/edits';
import { useSession } from '../state/store';
import { chooseTarget, key } from '../view/actions';

/** An edge of a breakpoint on the axis of heights, px. */
export interface HeightEdge {
  readonly side: 'heightFrom' | 'heightBelow';
  readonly at: number;
}

export const heightEdgesOf = ({ heightFrom, heightBelow }: Condition): readonly HeightEdge[] => [
  ...(heightFrom === undefined ? [] : [{ side: 'heightFrom' as const, at: heightFrom }]),
  ...(heightBelow === undefined ? [] : [{ side: 'heightBelow' as const, at: heightBelow }]),
];

/** The number that people see: the last whole px at which it holds, or the first. */
export const shownHeight = ({ side, at }: HeightEdge): number => (side === 'heightBelow' && Number.isInteger(at) ? at - 1 : at);

/** The edit that puts the shown height of an edge somewhere. */
export function movingHeight({ id, condition }: Breakpoint, { side }: HeightEdge, shown: number): Edit {
  const whole = Math.round(Math.min(EDGE_MAX - 1, Math.max(40, shown)));
  return { type: 'changeBreakpoint', id, condition: { ...condition, [side]: side === 'heightBelow' ? whole + 1 : whole } };
}

/** A least height as it is written. @param screen the screen's height, px, where it is a share of that */
export function heightFor(height: number, screen?: number): string {
  const least = Math.max(0, height);
  return screen === undefined ? `${Math.round(least)}px` : `${Math.round((least / screen) * 100)}svh`;
}

const NAMES = { shorter: ['Short', 'Shorter', 'Low'], taller: ['Tall', 'Taller', 'High'] } as const;

/** A new breakpoint at the height that the stage shows; edits go there from then on. */
export function addHeightHere(direction: 'shorter' | 'taller'): void {
  const { project, slice } = useSession.getState();
  const condition: Condition = direction === 'shorter' ? { heightBelow: slice.height + 1 } : { heightFrom: slice.height };
  const words = `${slice.height} and ${direction}`;
  const there = project.breakpoints.find((one) => sameCondition(one.condition, condition));
  if (there) {
    announce(`${there.name} already holds at ${words}; edits go there.`);
    return chooseTarget(there.id);
  }
  const taken = new Set(project.breakpoints.map(({ name }) => name));
  const name = NAMES[direction].find((one) => !taken.has(one)) ?? words;
  const breakpoint: Breakpoint = { id: `b${key()}`, name, condition };
  if (commitOrReport({ type: 'addBreakpoint', breakpoint })) chooseTarget(breakpoint.id);
}

/** The next edge of a breakpoint in a direction; both sides of it can be looked at. */
export function nextHeight(breakpoints: readonly Breakpoint[], height: number, direction: 1 | -1): number | undefined {
  return breakpoints
    .flatMap(({ condition }) => heightEdgesOf(condition).flatMap(({ at }) => [Math.ceil(at) - 1, Math.ceil(at)]))
    .filter((edge) => (edge - height) * direction > 0)
    .sort((a, b) => (a - b) * direction)[0];
}
