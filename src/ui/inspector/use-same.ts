import { useRef } from 'react';

/** The list as it was, for as long as the same stands in it: what follows from it needn't be worked out again. */
export function useSame<T>(list: readonly T[], keyOf: (item: T) => unknown = (item) => item): readonly T[] {
  const last = useRef(list);
  const before = last.current;
  if (before.length !== list.length || before.some((item, i) => keyOf(item) !== keyOf(list[i]!))) last.current = list;
  return last.current;
}
