import type { PageFacts } from './facts';
import type { Trace } from './trace';

/** What several checks ask of the same facts is worked out once for each. */
export function oncePerFacts<T>(work: (facts: PageFacts) => T): (facts: PageFacts) => T {
  const known = new WeakMap<PageFacts, { readonly result: T; readonly compared: Trace | undefined }>();
  return (facts) => {
    const { trace } = facts;
    const one = known.get(facts);
    if (one) {
      if (trace && one.compared) trace.append(one.compared);
      return one.result;
    }
    const start = trace?.length ?? 0;
    const result = work(facts);
    known.set(facts, { result, compared: trace?.from(start) });
    return result;
  };
}
