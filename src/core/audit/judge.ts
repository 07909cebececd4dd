import type { Check, Limits, Violation } from './check';
import { usualLimits } from './check';
import type { PageFacts } from './facts';

/** A check with the numbers that a project has for it. */
export interface Asked {
  readonly check: Check;
  readonly limits: Limits;
}

export interface Judged {
  readonly check: string;
  readonly violation: Violation;
}

export const asUsual = (checks: readonly Check[]): Asked[] => checks.map((check) => ({ check, limits: usualLimits(check) }));

/** All faults at one viewport. Violations share no objects with the facts, which may be overwritten afterwards. */
export function judge(asked: readonly Asked[], facts: PageFacts): Judged[] {
  const found: Judged[] = [];
  for (const { check, limits } of asked)
    for (const violation of check.judge(facts, limits)) found.push({ check: check.id, violation });
  return found;
}

/** The same check by check, as sweeps ask for it. */
export const judgesOf = (asked: readonly Asked[]) =>
  asked.map(({ check, limits }) => ({
    judge: (facts: PageFacts): Judged[] => check.judge(facts, limits).map((violation) => ({ check: check.id, violation })),
    ...(check.eachWidth && { eachWidth: check.eachWidth }),
    ...(check.byStyles && { byStyles: check.byStyles }),
  }));
