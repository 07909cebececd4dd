import type { PageFacts } from './facts';
import type { Trace } from './trace';

/**
 * What follows from how a page is styled or made up, which is mostly the same at one viewport after the other.
 * @param given all that it follows from, each kept as it is while it is the same
 * @param work compares nothing by the readers; with the number that is asked for, where one is
 */
export function oncePerGiven<T>(
  given: (facts: PageFacts) => readonly unknown[],
  work: (facts: PageFacts, limit: number) => T,
): (facts: PageFacts, limit?: number) => T {
  let last:
    { readonly facts: PageFacts; readonly given: readonly unknown[]; readonly limit: number; readonly result: T } | undefined;
  return (facts, limit = 0) => {
    if (last?.facts === facts && last.limit === limit) return last.result;
    const now = given(facts);
    const isSame = last?.limit === limit && now.every((one, i) => one === last!.given[i]);
    const result = isSame ? last!.result : work(facts, limit);
    last = { facts, given: now, limit, result };
    return result;
  };
}

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
