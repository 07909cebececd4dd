import type { At } from '../breakpoints/breakpoint';
import { BASE } from '../breakpoints/breakpoint';
import { conditionInterval } from '../breakpoints/condition';
import type { IntervalSet } from '../breakpoints/interval';
import { ALL_WIDTHS, subtract, union } from '../breakpoints/interval';
import type { Slice } from '../breakpoints/viewport';
import { DEFAULT_SLICE } from '../breakpoints/viewport';
import type { Page, Project } from '../document/project';
import type { Pseudo } from '../document/pseudo';
import { heldIn, lookOf } from './look';
import { elementOf } from './root';
import type { Candidate } from './sources';
import { candidatesFor, heldWidths } from './sources';
import { strengthOf, strengthOfSource } from './strength';

export interface WriteReach {
  /** Widths where the value written would win. */
  readonly takes: IntervalSet;
  /** Widths inside the target where something stronger keeps its own value. */
  readonly keeps: IntervalSet;
  /** What keeps its value there, weakest first. */
  readonly stronger: readonly Candidate[];
}

/** The widths at which what is written at a target holds, through breakpoints that take it over too. */
export function targetWidths(project: Pick<Project, 'breakpoints'>, at: At, slice: Slice = DEFAULT_SLICE): IntervalSet {
  if (at === BASE) return ALL_WIDTHS;
  const breakpoint = project.breakpoints.find((one) => one.id === at);
  return breakpoint ? [conditionInterval(breakpoint.condition, slice)].filter(({ from, below }) => from < below) : [];
}

/**
 * What writing an own value of the property at a target would reach, whatever the value.
 * Breakpoints that take over the target's values are not counted here; the footprint of the edit counts them.
 * @param pseudo the state or the box that it is written for
 * @param owner whose value it would be, where that isn't the element's own
 */
export function writeReach(
  project: Project,
  page: Page,
  elementId: string,
  property: string,
  at: At,
  slice: Slice = DEFAULT_SLICE,
  pseudo: Pseudo = '',
  owner: string = elementId,
): WriteReach {
  const target = targetWidths(project, at, slice);
  const order = (one: At) => project.breakpoints.findIndex((candidate) => candidate.id === one);
  const look = lookOf(project, page, elementId, pseudo);
  const own = strengthOf(project, owner + pseudo, elementId);
  const stronger = candidatesFor(look.project, look.page, elementOf(look.page, look.node), property).filter((candidate) => {
    const strength = strengthOfSource(project, candidate);
    const later = strength === own && order(candidate.via ?? candidate.at) > order(at);
    return candidate.important || later || strength > own;
  });
  const takes = subtract(target, union(...stronger.map((candidate) => heldWidths(candidate, heldIn(look, slice)))));
  return { takes, keeps: subtract(target, takes), stronger };
}
