import type { Finding, WidthResult } from '../audit/sweep/ledger';
import { countOfWidths } from '../audit/sweep/range';
import type { IntervalSet } from '../breakpoints/interval';
import type { WidthRange } from '../document/profile';
import { contains, fromIntegers, integersIn } from '../breakpoints/interval';

/** What a fix did when it was tried at every width it can change. */
export interface Verdict {
  /** Widths at which the finding was, and how many of them no longer have it. */
  readonly widths: number;
  readonly cleared: number;
  /** Findings that weren't there before, with the widths at which they are now. */
  readonly added: readonly { readonly check: string; readonly element: string; readonly widths: IntervalSet }[];
  /** Other findings that are gone wherever they were among the widths that were tried. */
  readonly also: readonly { readonly check: string; readonly element: string }[];
  /** Widths of the range at which nothing can have changed. */
  readonly identical: number;
  readonly touched: IntervalSet;
}

type Keyed = Map<string, { check: string; element: string; widths: number[] }>;

function keyed(results: readonly WidthResult[]): Keyed {
  const all: Keyed = new Map();
  for (const { width, violations } of results)
    for (const { check, violation } of violations) {
      const key = `${check} ${violation.element}`;
      const one = all.get(key);
      if (one) one.widths.push(width);
      else all.set(key, { check, element: violation.element, widths: [width] });
    }
  return all;
}

/** Beyond this nothing is measured, px. */
const WIDEST = 10_000;

const everyWidthIn = (widths: IntervalSet) => integersIn(widths, { first: 0, last: WIDEST });

/** The widths at which a fix has to be tried: those of the audit, and those at which the finding was met besides. */
export function widthsToTry(range: WidthRange, finding: Pick<Finding, 'widths'>, touched: IntervalSet): number[] {
  const met = everyWidthIn(finding.widths).filter((width) => contains(touched, width));
  return [...new Set([...integersIn(touched, range), ...met])].sort((a, b) => a - b);
}

/**
 * @param range the widths of the audit
 * @param touched the widths that the fix can change; outside of them everything is as it was
 */
export function verdictOn(
  range: WidthRange,
  finding: Pick<Finding, 'check' | 'element' | 'widths'>,
  touched: IntervalSet,
  before: readonly WidthResult[],
  after: readonly WidthResult[],
): Verdict {
  const tried = new Set(after.map(({ width }) => width));
  const [was, is] = [keyed(before.filter(({ width }) => tried.has(width))), keyed(after)];
  const key = `${finding.check} ${finding.element}`;
  const ailing = everyWidthIn(finding.widths);
  const still = new Set(is.get(key)?.widths);
  const added = [...is].flatMap(([other, { check, element, widths }]) => {
    const earlier = new Set(was.get(other)?.widths);
    const fresh = widths.filter((width) => !earlier.has(width));
    return fresh.length > 0 ? [{ check, element, widths: fromIntegers(fresh) }] : [];
  });
  const also = [...was].flatMap(([other, { check, element }]) => (other === key || is.has(other) ? [] : [{ check, element }]));
  return {
    widths: ailing.length,
    cleared: ailing.filter((width) => contains(touched, width) && !still.has(width)).length,
    added,
    also,
    identical: countOfWidths(range) - integersIn(touched, range).length,
    touched,
  };
}

/** Clears the finding everywhere and brings nothing new. */
export const isSafe = ({ cleared, widths, added }: Verdict): boolean => widths > 0 && cleared === widths && added.length === 0;

/** Better ones first: what clears most, then what adds least, then what leaves most as it was. */
export function byWorth(a: Verdict, b: Verdict): number {
  return (
    Number(isSafe(b)) - Number(isSafe(a)) ||
    b.cleared / b.widths - a.cleared / a.widths ||
    a.added.length - b.added.length ||
    b.identical - a.identical ||
    b.also.length - a.also.length
  );
}
