import type { IntervalSet } from '../../breakpoints/interval';
import { contains, fromIntegers } from '../../breakpoints/interval';
import type { Severity, Violation } from '../check';
import { SEVERITIES } from '../check';
import { CHECKS } from '../checks';

/** The widths that a sweep decides: every whole px from the first to the last. */
export const SWEEP_RANGE = { first: 320, last: 1920 } as const;

/** All faults of one page at one width. */
export interface WidthResult {
  readonly width: number;
  readonly violations: readonly { readonly check: string; readonly violation: Violation }[];
  /** Where a condition begins or has just ended: the sizes of type by element, px. */
  readonly sizes?: Readonly<Record<string, number>> | undefined;
}

/** Something measured that is wrong, on an element, over exact widths. */
export interface Finding {
  readonly key: string;
  readonly check: string;
  readonly severity: Severity;
  readonly element: string;
  /** Whole-pixel cells: 600 to below 743 means every whole width from 600 to 742. */
  readonly widths: IntervalSet;
  readonly worst: { readonly width: number; readonly violation: Violation };
}

/**
 * What is known about one page: the result of every width measured so far. Later results of a width replace earlier
 * ones, so after an edit only the widths it can have changed need measuring again.
 */
export class Ledger {
  readonly #results = new Map<number, WidthResult>();
  readonly #stale = new Set<number>();

  record(results: readonly WidthResult[]): void {
    for (const result of results) {
      this.#results.set(result.width, result);
      this.#stale.delete(result.width);
    }
  }

  /** Marks widths as to be measured again. What was found there is still told until it is. */
  invalidate(widths: IntervalSet): void {
    for (const width of this.#results.keys()) if (contains(widths, width)) this.#stale.add(width);
  }

  /** How many widths of the range are known and up to date. */
  get decided(): number {
    return this.#results.size - this.#stale.size;
  }

  /** The widths of the range that are still to be measured, ascending. */
  missing(): number[] {
    const result: number[] = [];
    for (let width: number = SWEEP_RANGE.first; width <= SWEEP_RANGE.last; width++)
      if (!this.#results.has(width) || this.#stale.has(width)) result.push(width);
    return result;
  }

  /** Findings, worst severity first, then by check and element in the order they were met from narrow to wide. */
  findings(): Finding[] {
    const widths = new Map<string, number[]>();
    const worst = new Map<string, { width: number; check: string; violation: Violation }>();
    for (const width of [...this.#results.keys()].sort((a, b) => a - b))
      for (const { check, violation } of this.#results.get(width)!.violations) {
        const key = `${check} ${violation.element}`;
        const known = widths.get(key);
        if (known) known.push(width);
        else widths.set(key, [width]);
        const before = worst.get(key);
        if (!before || violation.amount > before.violation.amount) worst.set(key, { width, check, violation });
      }
    const order = (check: string) => CHECKS.findIndex((one) => one.id === check);
    return [...widths]
      .map(([key, list]): Finding => {
        const { width, check, violation } = worst.get(key)!;
        const severity = CHECKS[order(check)]?.severity ?? 'note';
        return {
          key,
          check,
          severity,
          element: violation.element,
          widths: fromIntegers(list),
          worst: { width, violation },
        };
      })
      .sort(
        (a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) || order(a.check) - order(b.check),
      );
  }
}
