import { useCallback, useLayoutEffect, useRef } from 'react';
import type { Range } from '@tanstack/react-virtual';
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';

/** Rows drawn above and below those in sight, unless it is said otherwise. */
const BESIDES = 16;

/** A list of which only what is in sight is drawn. */
export interface Drawing {
  readonly count: number;
  readonly scroller: () => HTMLElement | null;
  /** A row's height, px; where rows differ, about how high they are. */
  readonly size: number;
  /** Up to so many rows all are drawn, so that the browser's own search finds them. */
  readonly most: number;
  /** Always drawn, in sight or not, ascending: the one that the keyboard is at, and those on both sides of it. */
  readonly keep: readonly number[];
  /** How far below the begin of what is scrolled the list begins, px. */
  readonly margin?: number;
  /** Rows drawn above and below those in sight. */
  readonly besides?: number;
}

export interface DrawnRow {
  readonly index: number;
  /** From the list's top, px; undefined where all rows are drawn, one below the other. */
  readonly top: number | undefined;
}

/** Of a long list only the rows in sight, and those that are always kept. */
export function useDrawn({ count, scroller, size, most, keep, margin = 0, besides = BESIDES }: Drawing) {
  const whole = count <= most;
  const kept = keep.filter((index) => index >= 0 && index < count).join(' ');
  const rangeExtractor = useCallback(
    (range: Range) => {
      const inSight = defaultRangeExtractor(range);
      const others = kept === '' ? [] : kept.split(' ').map(Number);
      return [...new Set([...inSight, ...others])].sort((a, b) => a - b);
    },
    [kept],
  );
  const virtual = useVirtualizer({
    count,
    getScrollElement: scroller,
    estimateSize: () => size,
    overscan: besides,
    enabled: !whole,
    scrollMargin: margin,
    rangeExtractor,
  });
  // It keeps what it worked out with the size before.
  const sizeBefore = useRef(size);
  useLayoutEffect(() => {
    if (sizeBefore.current !== size) virtual.measure();
    sizeBefore.current = size;
  }, [size, virtual]);
  const drawn: readonly DrawnRow[] = whole
    ? Array.from({ length: count }, (_, index) => ({ index, top: undefined }))
    : virtual.getVirtualItems().map(({ index, start }) => ({ index, top: start - margin }));
  return {
    drawn,
    whole,
    height: whole ? undefined : virtual.getTotalSize(),
    /** To be given to rows that differ in height, as their `ref`; they name their `data-index`. */
    measure: whole ? undefined : virtual.measureElement,
    scrollTo: (index: number) => virtual.scrollToIndex(index, { align: 'auto' }),
  };
}
