import type { Check, Limits, View } from './check';
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
  const own = (check: Check): Limits => {
    const usual = usualLimits(check);
    return {
      ...usual,
      ...Object.fromEntries(Object.entries(profile.checks[check.id]?.limits ?? {}).filter(([name]) => name in usual)),
    };
  };
  return CHECKS.filter(({ view = 'widths' }) => views.includes(view)).flatMap((check) => {
    if (profile.checks[check.id]?.off) return [];
    const others = CHECKS.filter(({ id }) => check.likewise?.includes(id)).map(own);
    return [{ id: check.id, limits: Object.assign({}, ...others, own(check)) as Limits }];
  });
}
