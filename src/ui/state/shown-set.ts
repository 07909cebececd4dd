import type { BreakpointSet } from '@/core/breakpoints';
import type { Project } from '@/core/document';
import type { Session } from './store';
import { shownProject } from './store';

const sets = new WeakMap<Project['breakpoints'], BreakpointSet>();

/** The breakpoints alone: the same object for as long as they are, whatever else is edited. */
export function shownSet(session: Session): BreakpointSet {
  const { breakpoints, baseName } = shownProject(session);
  let set = sets.get(breakpoints);
  if (set?.baseName !== baseName) sets.set(breakpoints, (set = { breakpoints, baseName }));
  return set;
}
