import type { Finding } from '../audit/sweep/ledger';
import { countOfWidths } from '../audit/sweep/range';
import { checkNamed } from '../audit/checks';
import type { IntervalSet } from '../breakpoints/interval';
import { integersIn, intersect, subtract, union } from '../breakpoints/interval';
import type { WidthRange } from '../document/profile';

interface Told {
  readonly check: string;
  readonly element: string;
  readonly widths: IntervalSet;
}

/** What a fix did when it was tried at every width it can change. */
export interface Verdict {
  /** Findings of the entry times their widths, and how many of these no longer have it. */
  readonly widths: number;
  readonly cleared: number;
  /** Findings that weren't there before, with the widths at which they are now; and those that became worse. */
  readonly added: readonly (Told & { readonly page?: string | undefined })[];
  readonly worse: readonly (Told & { readonly page?: string | undefined })[];
  /** Other findings that are gone wherever they were among the widths that were tried. */
  readonly also: readonly { readonly check: string; readonly element: string }[];
  /** Widths of the range at which nothing can have changed. */
  readonly identical: number;
  readonly touched: IntervalSet;
  /** The share of elements that look otherwise or stand otherwise in what they stand in, 0 to 1. */
  readonly change: number;
  /** Whether it was looked at in every view, not only at every width and in that of the finding. */
  readonly everyView: boolean;
}

/** Beyond this nothing is measured, px. */
const WIDEST = 10_000;
/** How much larger an amount must be to be worse. */
const WORSE = 1.1;

const countOf = (widths: IntervalSet) => integersIn(widths, { first: 0, last: WIDEST }).length;

/** At which widths an element is known to have what a check finds, be it that another check says so already. */
function knownWidths(before: readonly Finding[], { check, element }: Pick<Finding, 'check' | 'element'>): IntervalSet {
  const says = new Set([check, ...(checkNamed(check)?.besides ?? [])]);
  return union(...before.filter((one) => one.element === element && says.has(one.check)).map(({ widths }) => widths));
}

/** What is there after an edit that wasn't before, where the edit can have changed anything. */
export function addedBy(touched: IntervalSet, before: readonly Finding[], after: readonly Finding[]): Told[] {
  return after.flatMap(({ check, element, widths }) => {
    const fresh = subtract(intersect(widths, touched), knownWidths(before, { check, element }));
    return countOf(fresh) > 0 ? [{ check, element, widths: fresh }] : [];
  });
}

/** What is worse after an edit, at its worst. */
export function worseBy(touched: IntervalSet, before: readonly Finding[], after: readonly Finding[]): Told[] {
  const was = new Map(before.map((one) => [one.key, one]));
  return after.flatMap((one) => {
    const earlier = was.get(one.key);
    if (!earlier || intersect(one.widths, touched).length === 0) return [];
    const isWorse = one.worst.violation.amount > earlier.worst.violation.amount * WORSE + 1;
    return isWorse ? [{ check: one.check, element: one.element, widths: one.widths }] : [];
  });
}

/**
 * @param range the widths of the audit
 * @param touched the widths that the fix can change; outside of them everything is as it was
 * @param before,after findings among those widths
 */
export function verdictOn(
  range: WidthRange,
  findings: readonly Finding[],
  touched: IntervalSet,
  before: readonly Finding[],
  after: readonly Finding[],
  more: Pick<Verdict, 'change' | 'everyView'> = { change: 0, everyView: false },
): Verdict {
  const now = new Map(after.map((one) => [one.key, one.widths]));
  let [widths, cleared] = [0, 0];
  for (const { key, widths: ailing } of findings) {
    widths += countOf(ailing);
    cleared += countOf(subtract(intersect(ailing, touched), now.get(key) ?? []));
  }
  const own = new Set(findings.map(({ key }) => key));
  return {
    widths,
    cleared,
    added: addedBy(touched, before, after),
    worse: worseBy(touched, before, after),
    also: before.flatMap(({ key, check, element }) => (own.has(key) || now.has(key) ? [] : [{ check, element }])),
    identical: countOfWidths(range) - integersIn(touched, range).length,
    touched,
    ...more,
  };
}

/** Clears the finding everywhere, brings nothing new, and makes nothing worse, as far as it was looked at. */
export const seemsSafe = ({ cleared, widths, added, worse }: Verdict): boolean =>
  widths > 0 && cleared === widths && added.length === 0 && worse.length === 0;

/** The same, looked at in every view on every page that it reaches. */
export const isSafe = (verdict: Verdict): boolean => verdict.everyView && seemsSafe(verdict);

/** Changes of the look by less than this are alike. */
const ALIKE = 0.02;

/** Better ones first: what clears most, then what adds least, then what changes the look least, then what reaches least. */
export function byWorth(a: Tried, b: Tried): number {
  const [x, y] = [a.verdict, b.verdict];
  return (
    Number(isSafe(y)) - Number(isSafe(x)) ||
    Number(seemsSafe(y)) - Number(seemsSafe(x)) ||
    y.cleared / y.widths - x.cleared / x.widths ||
    x.added.length + x.worse.length - y.added.length - y.worse.length ||
    a.breakpoints - b.breakpoints ||
    Math.round(x.change / ALIKE) - Math.round(y.change / ALIKE) ||
    y.also.length - x.also.length ||
    y.identical - x.identical
  );
}

interface Tried {
  readonly verdict: Verdict;
  readonly breakpoints: number;
}
