import type { Check, Limits, Violation } from '../check';
import { usualLimits } from '../check';
import type { PageFacts } from '../facts';

/** What a check that looks at the page under other conditions reports: the faults of others, one for an element. */
export function faultsOf(checks: readonly Check[]) {
  return (facts: PageFacts, limits: Limits): Violation[] => {
    const found = new Map<string, Violation>();
    checks.forEach((check, by) => {
      for (const violation of check.judge(facts, { ...usualLimits(check), ...limits }))
        if (!found.has(violation.element))
          found.set(violation.element, { ...violation, measured: { ...violation.measured, by } });
    });
    return [...found.values()];
  };
}

/** The sentence of the check that found it, with the conditions before. */
export const inWordsOf = (checks: readonly Check[], before: string) => (violation: Violation, name: (id: string) => string) =>
  `${before}: ${checks[violation.measured.by!]!.sentence(violation, name)}`;
