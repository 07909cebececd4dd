import type { PageFacts, Sweep, SweptPart, WidthResult } from '@/core/audit';
import { sweepExactly } from '@/core/audit';

/** Told of a width like a fault: something shows there that goes by the viewport's height. */
const MARK = 'goes-by-height';
export const isMark = ({ check }: WidthResult['violations'][number]) => check === MARK;
export const markOf = (goesByHeight: (facts: PageFacts) => boolean) => ({
  judge: (facts: PageFacts) =>
    goesByHeight(facts) ? [{ check: MARK, violation: { element: '', amount: 1, measured: {}, others: [] } }] : [],
});

/** The same layout judged for several heights at once. */
export function* atHeights(sweep: Sweep, widest: number, heights: readonly number[]): Generator<SweptPart> {
  let of: PageFacts | undefined;
  let byHeight: PageFacts[] = [];
  /** The same facts at another height, once for all checks. */
  const at = (facts: PageFacts, index: number): PageFacts => {
    if (of !== facts) [of, byHeight] = [facts, []];
    return (byHeight[index] ??= { ...facts, viewport: { width: facts.viewport.width, height: heights[index]! } });
  };
  const judges = heights.flatMap((height, index) =>
    sweep.judges.map(({ judge: decide, ...one }) => ({
      ...one,
      judge: (facts: PageFacts) => decide(at(facts, index)).map((found) => ({ ...found, height })),
    })),
  );
  for (const { results, ...part } of sweepExactly({ ...sweep, judges }, widest))
    yield {
      ...part,
      results: results.flatMap(({ width, violations }) =>
        heights.map((height) => ({
          width,
          height,
          violations: violations.filter((one) => (one as unknown as { height: number }).height === height),
        })),
      ),
    };
}
