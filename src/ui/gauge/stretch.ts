import type { At } from '@/core/breakpoints';
import { bandAt } from '@/core/breakpoints';
import type { Stretch } from '@/core/cascade';
import { isWrittenHere } from '@/core/cascade';
import type { Project, Pseudo } from '@/core/document';
import { planMoveEnd } from '@/core/plans';
import { key } from '../view/actions';
import { carryOut } from '../editing/proposal';
import { useSession } from '../state/store';

/**
 * Where a value typed into a stretch is written: where it already is one's own, else in the band that was pressed.
 * @param pseudo the state or box that the lanes show: what is said of another isn't one's own there
 * @param inPart the element of a part that is written to, where it is one
 */
export function placeOf(project: Project, stretch: Stretch, width: number, pseudo: Pseudo = '', inPart?: string): At {
  const { origin } = stretch;
  const candidate = origin.kind === 'declared' ? origin.candidate : undefined;
  if (candidate && isWrittenHere(candidate, inPart) && !candidate.via && (candidate.pseudo ?? '') === pseudo) return candidate.at;
  const inside = Math.min(Math.max(width, stretch.from), stretch.below === Infinity ? width : stretch.below - 0.01);
  return bandAt(project, inside, useSession.getState().slice).home;
}

/** Px. An end let go this near to an edge is meant to be at it. */
const SNAP = 7;

/** The edge of a breakpoint near a place on the axis, else the whole width there. */
export function endNear(project: Project, width: number, px: (width: number) => number): number {
  const edges = project.breakpoints.flatMap(({ condition }) => [condition.from, condition.below]);
  const near = edges.filter((edge): edge is number => edge !== undefined && Math.abs(px(edge) - px(width)) <= SNAP);
  return near.sort((a, b) => Math.abs(a - width) - Math.abs(b - width))[0] ?? Math.round(width);
}

/** Moves one end of a stretch; what lies between takes the value of the stretch, or of its neighbour. */
export function moveEnd(
  owner: string,
  property: string,
  stretch: Stretch,
  neighbour: Stretch,
  side: 'from' | 'below',
  to: number,
): void {
  const edge = stretch[side];
  const grows = side === 'from' ? to < edge : to > edge;
  const value = grows ? stretch.value : neighbour.value;
  carryOut((project, slice) => planMoveEnd(project, slice, owner, property, edge, to, value, `b${key()}`));
}
