import type { PageFacts } from './facts';

/** What several checks ask of the same facts is worked out once for each. */
export function oncePerFacts<T>(work: (facts: PageFacts) => T): (facts: PageFacts) => T {
  const known = new WeakMap<PageFacts, { readonly result: T; readonly near: boolean }>();
  return (facts) => {
    let one = known.get(facts);
    if (!one) {
      const { doubt } = facts;
      const before = doubt?.near ?? false;
      if (doubt) doubt.near = false;
      const result = work(facts);
      one = { result, near: doubt?.near ?? false };
      if (doubt) doubt.near = before;
      known.set(facts, one);
    }
    if (one.near && facts.doubt) facts.doubt.near = true;
    return one.result;
  };
}
