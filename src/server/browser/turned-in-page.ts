import type { judgesOf, PageFacts, SweptPart } from '@/core/audit';
import type { MeasuredFrame } from '@/probe/measured-frame';

interface Turning {
  readonly widths: readonly number[];
  readonly heights: readonly number[];
  /** The same device held the other way, px. */
  readonly turned: { readonly width: number; readonly height: number };
  readonly densities?: PageFacts['densities'];
}

/** By page, what was read at widths at which nothing goes by the height: each is as wide one way as others are high. */
let known = new WeakMap<MeasuredFrame, Map<number, PageFacts>>();

export function forgetTurned(): void {
  known = new WeakMap();
}

/** Each viewport judged beside the same device held the other way. */
export function* turnedBy(
  page: MeasuredFrame,
  { widths, heights, turned, densities }: Turning,
  judges: ReturnType<typeof judgesOf>,
): Generator<SweptPart> {
  for (const height of heights)
    for (const width of widths) {
      const facts = { ...readAt(page, width, height), turned: readAt(page, turned.width, turned.height), densities };
      yield { results: [{ height, width, violations: judges.flatMap(({ judge }) => judge(facts)) }], layouts: 1 };
    }
}

function readAt(page: MeasuredFrame, width: number, height: number): PageFacts {
  let reads = known.get(page);
  if (!reads) known.set(page, (reads = new Map<number, PageFacts>()));
  const before = reads.get(width);
  if (before) return { ...before, viewport: { width, height } };
  page.arrange(height, 'plain');
  const facts = page.read(width);
  if (page.goesByHeight?.(facts) === false) reads.set(width, facts);
  return facts;
}
