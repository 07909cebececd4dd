'use client';

import type { ReactNode } from 'react';
import { useLayoutEffect, useRef, useState } from 'react';
import { useBegin } from './use-begin';
import { useDrawn } from './use-drawn';

/** Up to here all rows are drawn. */
const WHOLE_MOST = 100;

interface Props<T> {
  readonly items: readonly T[];
  readonly keyOf: (item: T) => string;
  /** About how high a row is, px. */
  readonly size: number;
  /** What scrolls the list; everything in it lies in one element, whose size tells where the list begins. */
  readonly scroller: HTMLElement | null;
  readonly children: (item: T) => ReactNode;
  readonly label?: string;
  readonly rowClass?: string;
  /** Scrolled to when it changes. */
  readonly shown?: string | undefined;
}

/** A list with rows of any height; of a long one only the rows in sight are drawn, and those around the keyboard. */
export function DrawnList<T>({ items, keyOf, size, scroller, children, label, rowClass, shown }: Props<T>) {
  const list = useRef<HTMLUListElement>(null);
  const margin = useBegin(list, scroller);
  const [focused, setFocused] = useState(-1);
  const { drawn, whole, height, measure, scrollTo } = useDrawn({
    ...{ count: items.length, scroller: () => scroller, size, most: WHOLE_MOST, margin },
    keep: focused < 0 ? [] : [focused - 1, focused, focused + 1],
  });
  const latest = useRef({ items, keyOf, scrollTo });
  useLayoutEffect(() => {
    latest.current = { items, keyOf, scrollTo };
  });
  useLayoutEffect(() => {
    if (shown === undefined || whole || !scroller) return;
    const now = latest.current;
    const index = now.items.findIndex((item) => now.keyOf(item) === shown);
    if (index >= 0) now.scrollTo(index);
  }, [shown, whole, scroller]);
  return (
    <ul ref={list} aria-label={label} className="m-0 list-none p-0" style={{ position: 'relative', height }}>
      {drawn.map(({ index, top }) => {
        const item = items[index]!;
        return (
          <li
            key={keyOf(item)}
            ref={measure}
            data-index={index}
            {...(!whole && { 'aria-setsize': items.length, 'aria-posinset': index + 1 })}
            className={rowClass}
            style={top === undefined ? undefined : { position: 'absolute', top, left: 0, right: 0 }}
            onFocus={() => setFocused(index)}
            onBlur={() => setFocused(-1)}
          >
            {children(item)}
          </li>
        );
      })}
    </ul>
  );
}
