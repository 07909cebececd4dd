import { isNear, Kind } from '../trace';
import type { Verdict } from './verdicts';

/** Margins that differ by less are the same number, px. */
const PARTS = 1e4;
/** What isn't known at all has no margin. */
const UNKNOWN = Infinity;

/**
 * Numbers that lie near to their limits and don't move: what was measured so at several widths is the same between them, and in no doubt.
 */
export class StillMargins {
  /** By judge: at how many measured widths a margin was met, and on which side of its limit. */
  readonly #met: Map<number, number>[] = [];

  /** Takes in what was said of a measured viewport. */
  meet(verdicts: readonly Verdict[]): void {
    verdicts.forEach((verdict, judge) => {
      const met = (this.#met[judge] ??= new Map<number, number>());
      for (const key of nearKeys(verdict)) met.set(key, (met.get(key) ?? 0) + 1);
    });
  }

  /**
   * Whether a verdict on worked-out numbers could be another on measured ones.
   * @param ends verdicts at both ends of what it lies in: a number that stands still is there, too
   */
  isDoubtful(verdict: Verdict, judge: number, ends: readonly Verdict[] = []): boolean {
    const met = this.#met[judge];
    const there = ends.map(nearKeys);
    return hasNear(verdict, (key) => (met?.get(key) ?? 0) < 2 || there.some((keys) => !keys.has(key)));
  }
}

/** What tells the numbers that are near to their limits from others. */
function nearKeys(verdict: Verdict): ReadonlySet<number> {
  const keys = new Set<number>();
  hasNear(verdict, (key) => {
    if (key !== UNKNOWN) keys.add(key);
    return false;
  });
  return keys;
}

/** Whether a number that is near to its limit is one that is looked for, by what tells it from others. */
function hasNear({ trace, start, end }: Verdict, isWanted: (key: number) => boolean): boolean {
  for (let i = start; i < end; i++) {
    if (!isNear(trace, i)) continue;
    const margin = trace.margins[i]!;
    if (isWanted(trace.kinds[i] === Kind.unknown ? UNKNOWN : Math.round(margin * PARTS) * 2 + (margin > 0 ? 1 : 0))) return true;
  }
  return false;
}
