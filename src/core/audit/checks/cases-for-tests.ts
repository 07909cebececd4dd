import type { Check } from '../check';
import { usualLimits } from '../check';
import type { PageFacts } from '../facts';

/** A check, what the layout is, the layout, and the elements that are found. */
export type Case = readonly [Check, string, PageFacts, readonly string[]];

export function judgeCases(cases: readonly Case[]): void {
  test.each(cases.map(([check, name, page, found]) => [check.id, name, check, page, found] as const))(
    '%s: %s',
    (_, __, check, page, found) => {
      const violations = check.judge(page, usualLimits(check));
      expect(violations.map((violation) => violation.element)).toEqual(found);
      for (const violation of violations) {
        expect(violation.amount).toBeGreaterThan(0);
        expect(check.sentence(violation, (id) => `“${id}”`)).not.toMatch(/undefined|NaN/);
      }
    },
  );
}
