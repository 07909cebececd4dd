import type { IntervalSet } from '../../breakpoints/interval';
import { contains, fromIntegers } from '../../breakpoints/interval';
import type { Severity, View, Violation } from '../check';
import { SEVERITIES, usualLimits } from '../check';
import { checkNamed, CHECKS } from '../checks';
import { growingType, grows } from '../checks/growing-type';
import { rowless } from '../../document/list-rows';
import type { Looking } from './plan';
import { viewportsIn } from './plan';
import type { Profile } from '../../document/profile';
import { PLAIN_PROFILE } from '../../document/profile';

/** A fault, and with which rows of a table it was found where lists show others. */
export interface Found {
  readonly check: string;
  readonly violation: Violation;
  readonly sample?: string | undefined;
}

/** All faults of one page at one width. */
export interface WidthResult {
  readonly width: number;
  /** The viewport's height, px, where a view looks at several. */
  readonly height?: number | undefined;
  readonly violations: readonly Found[];
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
  /** The set of rows with which alone it is found, where it isn't with those that show. */
  readonly sample?: string | undefined;
  /** Why the project takes it as it is; absent where it doesn't. */
  readonly accepted?: string | undefined;
}

/** Results of one view at one height. */
interface Column {
  readonly view: View;
  readonly height: number | undefined;
  readonly results: Map<number, WidthResult>;
  /** Widths that are to be measured again. */
  readonly stale: Set<number>;
}

interface Gathered {
  readonly check: string;
  readonly sample: string | undefined;
  readonly widths: Set<number>;
  readonly heights: Set<number>;
  worst: Finding['worst'];
}

/** Views whose heights are their own: a finding of theirs says at which heights it was found. */
const WITH_HEIGHTS: ReadonlySet<View> = new Set(['heights', 'reflow', 'turned']);

/**
 * What is known about one page: the result of every viewport measured so far, in every view, by view, height and width.
 * Later results replace earlier ones, so after an edit only the widths it can have changed need measuring again.
 */
export class Ledger {
  readonly #columns = new Map<string, Column>();

  #column(view: View, height?: number): Column {
    const key = `${view} ${height ?? ''}`;
    let column = this.#columns.get(key);
    if (!column) this.#columns.set(key, (column = { view, height, results: new Map(), stale: new Set() }));
    return column;
  }

  /** @param height the viewport's, px, for results that don't say it themselves */
  record(results: readonly WidthResult[], view: View = 'widths', height?: number): void {
    for (const result of results) {
      const column = this.#column(view, result.height ?? height);
      column.results.set(result.width, result);
      column.stale.delete(result.width);
    }
  }

  /** Another one that knows the same. */
  copy(): Ledger {
    const other = new Ledger();
    for (const [key, { view, height, results, stale }] of this.#columns)
      other.#columns.set(key, { view, height, results: new Map(results), stale: new Set(stale) });
    return other;
  }

  /** Marks widths as to be measured again, at all heights. What was found there is still told until it is. */
  invalidate(widths: IntervalSet): void {
    for (const { results, stale } of this.#columns.values())
      for (const width of results.keys()) if (contains(widths, width)) stale.add(width);
  }

  /** Widths of a list that aren't known, or no longer. */
  #unknown(view: View, height: number | undefined, widths: readonly number[]): readonly number[] {
    const column = this.#columns.get(`${view} ${height ?? ''}`);
    return column ? widths.filter((width) => !column.results.has(width) || column.stale.has(width)) : widths;
  }

  /** How many viewports of a plan are known and up to date. */
  decided(plan: readonly Looking[]): number {
    return viewportsIn(plan) - viewportsIn(this.missing(plan));
  }

  /** What of a plan is still to be measured: plan less ledger. Heights that lack the same widths come together. */
  missing(plan: readonly Looking[]): Looking[] {
    return plan.flatMap((looking) => {
      const byWidths = new Map<string, { heights: number[]; widths: readonly number[] }>();
      for (const height of looking.heights) {
        const widths = this.#unknown(looking.view, height, looking.widths);
        if (widths.length === 0) continue;
        const key = widths.length === looking.widths.length ? '' : widths.join();
        const same = byWidths.get(key);
        if (same) same.heights.push(height);
        else byWidths.set(key, { heights: [height], widths });
      }
      return [...byWidths.values()].map((lack): Looking => ({ ...looking, ...lack }));
    });
  }

  /**
   * Findings, worst severity first, then by check and element in the order they were met from narrow to wide.
   * @param plan what counts; viewports that it doesn't have any more say nothing. Without it all that is known counts
   */
  findings(profile: Profile = PLAIN_PROFILE, plan?: readonly Looking[]): Finding[] {
    const found = new Map<string, Gathered>();
    const add = (width: number, height: number | undefined, { check, violation, sample }: Found) => {
      if (Object.hasOwn(profile.checks, check) && profile.checks[check]!.off) return;
      const key = [check, violation.element, sample].filter((part) => part !== undefined).join(' ');
      let one = found.get(key);
      if (!one)
        found.set(key, (one = { check, sample, widths: new Set(), heights: new Set(), worst: { width, height, violation } }));
      one.widths.add(width);
      if (height !== undefined) one.heights.add(height);
      if (violation.amount > one.worst.violation.amount) one.worst = { width, height, violation };
    };
    const columns = plan
      ? this.#planned(plan)
      : [...this.#columns.values()].map((column) => ({ ...column, widths: [...column.results.keys()].sort((a, b) => a - b) }));
    const usual = columns.find(({ view }) => view === 'widths')?.results;
    for (const { view, results, widths, ...column } of columns) {
      const height = WITH_HEIGHTS.has(view) ? column.height : undefined;
      for (const width of widths) {
        const result = results.get(width);
        if (!result) continue;
        const known = view === 'widths' ? undefined : usual?.get(width)?.violations;
        for (const one of result.violations) if (!known?.some((other) => saysAlready(other, one))) add(width, height, one);
        const next = view === 'widths' && result.sizes ? results.get(width + 1)?.sizes : undefined;
        if (next)
          for (const violation of grows(result.sizes!, next, {
            ...usualLimits(growingType),
            ...profile.checks[growingType.id]?.limits,
          }))
            add(width, undefined, { check: growingType.id, violation });
      }
    }
    const accepted = new Map(profile.accepted.map(({ check, element, reason }) => [`${check} ${element}`, reason]));
    return [...found]
      .map(([key, { check, sample, widths, heights, worst }]): Finding => {
        const reason = accepted.get(`${check} ${worst.violation.element}`);
        return {
          key,
          check,
          severity: checkNamed(check)?.severity ?? 'note',
          element: worst.violation.element,
          widths: fromIntegers([...widths].sort((a, b) => a - b)),
          ...(heights.size > 0 && { heights: [...heights].sort((a, b) => a - b) }),
          worst,
          ...(sample !== undefined && { sample }),
          ...(reason !== undefined && { accepted: reason }),
        };
      })
      .sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) || orderOf(a) - orderOf(b));
  }

  #planned(plan: readonly Looking[]) {
    return plan.flatMap(({ view, heights, widths }) =>
      heights.flatMap((height) => {
        const column = this.#columns.get(`${view} ${height}`);
        return column ? [{ ...column, widths }] : [];
      }),
    );
  }
}

/** Whether what was found under usual conditions makes another fault nothing new. */
export function saysAlready(usual: Found, { check, violation, sample }: Found): boolean {
  if (sample !== undefined) return usual.check === check && rowless(usual.violation.element) === rowless(violation.element);
  const { besides = [] } = checkNamed(check) ?? {};
  const { by } = violation.measured;
  return usual.violation.element === violation.element && (by === undefined ? besides : [besides[by]]).includes(usual.check);
}

const orderOf = ({ check }: Finding) => CHECKS.findIndex((one) => one.id === check);
