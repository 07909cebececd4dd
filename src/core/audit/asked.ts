import type { Limits, View } from './check';
import { usualLimits } from './check';
import { CHECKS } from './checks';
import type { Profile } from '../document/profile';

/** A check by its id, with the numbers that a project has for it. */
export interface AskedFor {
  readonly id: string;
  readonly limits: Limits;
}

/** The checks that a project asks for in a view, with its numbers; limits that a check doesn't have don't count. */
export function askedFor(profile: Profile, views: readonly View[]): AskedFor[] {
  return CHECKS.filter(({ view = 'widths' }) => views.includes(view)).flatMap((check) => {
    const tuning = profile.checks[check.id];
    if (tuning?.off) return [];
    const usual = usualLimits(check);
    const own = Object.entries(tuning?.limits ?? {}).filter(([name]) => name in usual);
    return [{ id: check.id, limits: { ...usual, ...Object.fromEntries(own) } }];
  });
}
