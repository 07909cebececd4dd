import { Evenly, evenly } from './evenly';
import type { Found, WidthResult } from './ledger';

/** Faults of one check on one element that differ in numbers alone. */
interface PackedFaults extends Pick<Found, 'check' | 'sample'> {
  readonly element: string;
  readonly others: readonly string[];
  /** What was measured, by name. */
  readonly names: readonly string[];
  /** One after the other: the first result that they are in, and how many follow each other. */
  readonly spans: readonly number[];
  /** The amounts, and what was measured by each name, as `Evenly` lists them. */
  readonly columns: readonly (readonly number[])[];
}

/** Results as they travel: what is the same of many of them is said once. */
export interface PackedResults {
  readonly results: readonly Omit<WidthResult, 'violations'>[];
  readonly faults: readonly PackedFaults[];
}

interface Open extends Omit<PackedFaults, 'columns'> {
  readonly spans: number[];
  readonly columns: readonly Evenly[];
}

export function packed(given: readonly WidthResult[]): PackedResults {
  const sorted = [...given].sort((a, b) => (a.height ?? 0) - (b.height ?? 0) || a.width - b.width);
  const open: Open[] = [];
  /** By element, since one has few: strings made of all that is the same would take longer than what they save. */
  const byElement = new Map<string, Open[]>();
  /** Between two widths that are measured much is told by the same object. */
  const told = new Map<Found, Open>();
  sorted.forEach(({ violations }, at) => {
    for (const one of violations) {
      const { element, measured, amount } = one.violation;
      let faults = told.get(one);
      if (!faults) {
        let own = byElement.get(element);
        if (!own) byElement.set(element, (own = []));
        faults = own.find((other) => isLike(other, one));
        if (!faults) {
          const names = Object.keys(measured);
          const columns = Array.from({ length: names.length + 1 }, () => new Evenly());
          faults = { check: one.check, sample: one.sample, element, others: one.violation.others, names, spans: [], columns };
          own.push(faults);
          open.push(faults);
        }
        told.set(one, faults);
      }
      const { spans, names, columns } = faults;
      const before = spans.length - 2;
      if (before >= 0 && spans[before]! + spans[before + 1]! === at) spans[before + 1]!++;
      else spans.push(at, 1);
      columns[0]!.add(amount);
      for (let i = 0; i < names.length; i++) columns[i + 1]!.add(measured[names[i]!]!);
    }
  });
  return {
    results: sorted.map(({ violations: _, ...result }) => result),
    faults: open.map(({ columns, ...faults }) => ({ ...faults, columns: columns.map((column) => column.list) })),
  };
}

const sameList = (a: readonly string[], b: readonly string[]) =>
  a === b || (a.length === b.length && a.every((one, i) => one === b[i]));

function isLike(faults: Open, { check, sample, violation: { others, measured } }: Found): boolean {
  if (faults.check !== check || faults.sample !== sample || !sameList(faults.others, others)) return false;
  let at = 0;
  for (const name in measured) if (faults.names[at++] !== name) return false;
  return at === faults.names.length;
}

export function unpacked({ results, faults }: PackedResults): WidthResult[] {
  const found: Found[][] = results.map(() => []);
  for (const { check, sample, element, others, names, spans, columns } of faults) {
    const [amounts, ...values] = columns.map(evenly);
    let last: Found | undefined;
    let before = -1;
    for (let at = 0, k = 0; at < spans.length; at += 2)
      for (let i = spans[at]!; i < spans[at]! + spans[at + 1]!; i++, k++) {
        if (!last || amounts![k] !== amounts![before] || values.some((column) => column[k] !== column[before])) {
          const measured = Object.fromEntries(names.map((name, n) => [name, values[n]![k]!]));
          const violation = { element, amount: amounts![k]!, measured, others };
          last = { check, violation, ...(sample !== undefined && { sample }) };
        }
        before = k;
        found[i]!.push(last);
      }
  }
  return results.map((result, i) => ({ ...result, violations: found[i]! }));
}
