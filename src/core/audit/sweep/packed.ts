import type { Found, WidthResult } from './ledger';

/** Faults of one check on one element that differ in numbers alone. */
interface PackedFaults extends Pick<Found, 'check' | 'sample'> {
  readonly element: string;
  readonly others: readonly string[];
  /** What was measured, by name. */
  readonly names: readonly string[];
  /** One after the other: the first result that they are in, in how many that follow they are the same, the amount, what was measured. */
  readonly numbers: readonly number[];
}

/** Results as they travel: what is the same of many of them is said once. */
export interface PackedResults {
  readonly results: readonly Omit<WidthResult, 'violations'>[];
  readonly faults: readonly PackedFaults[];
}

/** Numbers travel with so many parts of a unit: far finer than anything is measured. */
const PARTS = 1e5;

interface Open extends PackedFaults {
  readonly numbers: number[];
}

export function packed(given: readonly WidthResult[]): PackedResults {
  const sorted = [...given].sort((a, b) => (a.height ?? 0) - (b.height ?? 0) || a.width - b.width);
  const open: Open[] = [];
  /** By element, since one has few: strings made of all that is the same would take longer than what they save. */
  const byElement = new Map<string, Open[]>();
  /** Between two widths that are measured much is told by the same object. */
  const told = new Map<Found, { readonly faults: Open; readonly end: number }>();
  sorted.forEach(({ violations }, at) => {
    for (const one of violations) {
      const same = told.get(one);
      if (same && same.end === same.faults.numbers.length && follows(same.faults, at)) {
        same.faults.numbers[same.end - same.faults.names.length - 2]!++;
        continue;
      }
      const { element, measured, amount } = one.violation;
      let own = byElement.get(element);
      if (!own) byElement.set(element, (own = []));
      let faults = same?.faults ?? own.find((other) => isLike(other, one));
      if (!faults) {
        const { check, sample, violation } = one;
        faults = { check, sample, element, others: violation.others, names: Object.keys(measured), numbers: [] };
        own.push(faults);
        open.push(faults);
      }
      add(faults, at, amount, measured);
      told.set(one, { faults, end: faults.numbers.length });
    }
  });
  return { results: sorted.map(({ violations: _, ...result }) => result), faults: open };
}

const sameList = (a: readonly string[], b: readonly string[]) =>
  a === b || (a.length === b.length && a.every((one, i) => one === b[i]));

function isLike(faults: Open, { check, sample, violation: { others, measured } }: Found): boolean {
  if (faults.check !== check || faults.sample !== sample || !sameList(faults.others, others)) return false;
  let at = 0;
  for (const name in measured) if (faults.names[at++] !== name) return false;
  return at === faults.names.length;
}

/** Whether the last numbers of a fault are those of the result before. */
function follows({ numbers, names }: Open, at: number): boolean {
  const before = numbers.length - names.length - 3;
  return before >= 0 && numbers[before]! + numbers[before + 1]! === at;
}

const round = (value: number) => Math.round(value * PARTS) / PARTS;

/** Adds the numbers of one fault, or counts it to those before. */
function add(faults: Open, at: number, amount: number, measured: Found['violation']['measured']): void {
  const { numbers, names } = faults;
  const before = numbers.length - names.length - 1;
  const isSame =
    follows(faults, at) &&
    numbers[before] === round(amount) &&
    names.every((name, i) => numbers[before + 1 + i] === round(measured[name]!));
  if (isSame) numbers[before - 1]!++;
  else {
    numbers.push(at, 1, round(amount));
    for (const name of names) numbers.push(round(measured[name]!));
  }
}

export function unpacked({ results, faults }: PackedResults): WidthResult[] {
  const found: Found[][] = results.map(() => []);
  for (const { check, sample, element, others, names, numbers } of faults)
    for (let at = 0; at < numbers.length; at += names.length + 3) {
      const [first, count, amount] = [numbers[at]!, numbers[at + 1]!, numbers[at + 2]!];
      const measured = Object.fromEntries(names.map((name, i) => [name, numbers[at + 3 + i]!]));
      const one: Found = { check, violation: { element, amount, measured, others }, ...(sample !== undefined && { sample }) };
      for (let i = first; i < first + count; i++) found[i]!.push(one);
    }
  return results.map((result, i) => ({ ...result, violations: found[i]! }));
}
