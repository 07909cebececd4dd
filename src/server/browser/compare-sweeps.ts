import type { WidthResult } from '@/core/audit';

/** Amounts of one finding may differ by this much, since worked-out numbers are off by less than a rounding. */
const AMOUNT_SLACK = 0.02;
/** Or by this many px, since browsers give how far a page scrolls in whole ones. */
const WHOLE = 1.01;

/** A width at which two sweeps say different things, and what. */
export interface SweepDifference {
  readonly width: number;
  readonly what: string;
}

const keysOf = ({ violations }: WidthResult) =>
  new Map(violations.map(({ check, violation }) => [`${check} ${violation.element}`, violation]));

/** Where an exact sweep and one of every width differ: findings, their elements and how bad they are. */
export function compareSweeps(exact: readonly WidthResult[], brute: readonly WidthResult[]): SweepDifference[] {
  const found: SweepDifference[] = [];
  const byWidth = new Map(exact.map((result) => [result.width, result]));
  for (const truth of brute) {
    const { width } = truth;
    const said = byWidth.get(width);
    if (!said) {
      found.push({ width, what: 'was not decided' });
      continue;
    }
    const [a, b] = [keysOf(said), keysOf(truth)];
    for (const key of b.keys()) if (!a.has(key)) found.push({ width, what: `missed: ${key}` });
    for (const [key, violation] of a) {
      const other = b.get(key);
      if (!other) found.push({ width, what: `made up: ${key}` });
      else if (Math.abs(other.amount - violation.amount) > Math.max(WHOLE, Math.abs(other.amount) * AMOUNT_SLACK))
        found.push({ width, what: `${key}: ${violation.amount} instead of ${other.amount}` });
    }
    if (JSON.stringify(said.sizes ?? null) !== JSON.stringify(truth.sizes ?? null))
      found.push({ width, what: 'type sizes at an edge' });
  }
  return found;
}
