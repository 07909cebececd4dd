import type { IntervalSet } from '../../breakpoints/interval';
import { contains, fromIntegers } from '../../breakpoints/interval';
import type { Severity, View, Violation } from '../check';
import { SEVERITIES, usualLimits } from '../check';
import { checkNamed, CHECKS } from '../checks';
import { growingType, grows } from '../checks/growing-type';
import type { Profile } from '../../document/profile';
import { PLAIN_PROFILE } from '../../document/profile';

/** The widths that a sweep decides: every whole px from the first to the last. */
export const SWEEP_RANGE = { first: 320, last: 1920 } as const;

/** All faults of one page at one width. */
export interface WidthResult {
  readonly width: number;
  /** The viewport's height, px, where a view looks at several. */
  readonly height?: number | undefined;
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
  /** The heights at which it was found, ascending, px, where a view looks at several. */
  readonly heights?: readonly number[] | undefined;
  readonly worst: { readonly width: number; readonly height?: number | undefined; readonly violation: Violation };
  /** Why the project takes it as it is; absent where it doesn't. */
  readonly accepted?: string | undefined;
}

/** Results of one view at one height. */
interface Sheet {
  readonly view: View;
  readonly height: number | undefined;
  readonly results: Map<number, WidthResult>;
}

interface Gathered {
  readonly check: string;
  readonly widths: Set<number>;
  readonly heights: Set<number>;
  worst: Finding['worst'];
}

/**
 * What is known about one page: the result of every width measured so far, in every view. Later results of a width
 * replace earlier ones, so after an edit only the widths it can have changed need measuring again.
 */
export class Ledger {
  readonly #sheets = new Map<string, Sheet>();
  readonly #stale = new Map<View, Set<number>>();
  readonly #settled = new Set<View>();

  #sheet(view: View, height?: number): Sheet {
    const key = `${view} ${height ?? ''}`;
    let sheet = this.#sheets.get(key);
    if (!sheet) this.#sheets.set(key, (sheet = { view, height, results: new Map() }));
    return sheet;
  }

  record(results: readonly WidthResult[], view: View = 'widths'): void {
    for (const result of results) {
      this.#sheet(view, result.height).results.set(result.width, result);
      this.#stale.get(view)?.delete(result.width);
    }
  }

  /** Marks widths as to be measured again. What was found there is still told until it is. */
  invalidate(widths: IntervalSet): void {
    this.#settled.clear();
    for (const { view, results } of this.#sheets.values()) {
      const stale = this.#stale.get(view) ?? new Set();
      this.#stale.set(view, stale);
      for (const width of results.keys()) if (contains(widths, width)) stale.add(width);
    }
  }

  /** Takes a view as known as a whole, though it has viewports of its own. */
  settle(view: View): void {
    this.#settled.add(view);
    this.#stale.delete(view);
  }

  knows(view: View): boolean {
    return this.#settled.has(view);
  }

  /** How many widths of the range are known and up to date. */
  get decided(): number {
    return this.#sheet('widths').results.size - (this.#stale.get('widths')?.size ?? 0);
  }

  /** The widths of a view that are still to be measured, ascending; the whole range unless it has others. */
  missing(view: View = 'widths', wanted: readonly number[] = RANGE): number[] {
    const stale = this.#stale.get(view);
    const known = [...this.#sheets.values()].filter((sheet) => sheet.view === view);
    return wanted.filter((width) => stale?.has(width) || !known.some(({ results }) => results.has(width)));
  }

  /** Findings, worst severity first, then by check and element in the order they were met from narrow to wide. */
  findings(profile: Profile = PLAIN_PROFILE): Finding[] {
    const found = new Map<string, Gathered>();
    const add = (width: number, height: number | undefined, check: string, violation: Violation) => {
      if (profile.checks[check]?.off) return;
      const key = `${check} ${violation.element}`;
      let one = found.get(key);
      if (!one)
        found.set(key, (one = { check, widths: new Set(), heights: new Set(), worst: { width, height, violation } }));
      one.widths.add(width);
      if (height !== undefined) one.heights.add(height);
      if (violation.amount > one.worst.violation.amount) one.worst = { width, height, violation };
    };
    const usual = this.#sheet('widths').results;
    for (const { view, height, results } of this.#sheets.values())
      for (const width of [...results.keys()].sort((a, b) => a - b)) {
        const result = results.get(width)!;
        for (const { check, violation } of result.violations) {
          const besides = view === 'widths' ? undefined : checkNamed(check)?.besides;
          const same = besides && usual.get(width)?.violations.some(({ check: other, violation: { element } }) => besides.includes(other) && element === violation.element); // prettier-ignore
          if (!same) add(width, height, check, violation);
        }
        const next = view === 'widths' && result.sizes ? results.get(width + 1)?.sizes : undefined;
        if (next)
          for (const violation of grows(result.sizes!, next, {
            ...usualLimits(growingType),
            ...profile.checks[growingType.id]?.limits,
          }))
            // prettier-ignore
            add(width, undefined, growingType.id, violation);
      }
    const accepted = new Map(profile.accepted.map(({ check, element, reason }) => [`${check} ${element}`, reason]));
    return [...found]
      .map(([key, { check, widths, heights, worst }]): Finding => {
        const reason = accepted.get(key);
        return {
          key,
          check,
          severity: checkNamed(check)?.severity ?? 'note',
          element: worst.violation.element,
          widths: fromIntegers([...widths].sort((a, b) => a - b)),
          ...(heights.size > 0 && { heights: [...heights].sort((a, b) => a - b) }),
          worst,
          ...(reason !== undefined && { accepted: reason }),
        };
      })
      .sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) || orderOf(a) - orderOf(b));
  }
}

const RANGE: readonly number[] = Array.from({ length: SWEEP_RANGE.last - SWEEP_RANGE.first + 1 }, (_, i) => SWEEP_RANGE.first + i); // prettier-ignore
const orderOf = ({ check }: Finding) => CHECKS.findIndex((one) => one.id === check);
