import { useCallback, useEffect, useRef } from 'react';
import type { RefObject } from 'react';
import type { Range } from '@tanstack/react-virtual';
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import type { Row } from './rows';

/** A row's height, px: 1.5rem in `OutlineRow`. */
const ROW = 24;
/** Up to here all rows are drawn, so that the browser's own search finds them. */
const WHOLE_MOST = 400;
/** Rows drawn above and below those in sight. */
const BESIDES = 16;

interface DrawnRow {
  readonly row: Row;
  readonly top: number | undefined;
}

/** Of a long list only the rows in sight, and always the one that the keyboard is at. */
export function useDrawnRows(list: RefObject<HTMLElement | null>, rows: readonly Row[], current: string) {
  const whole = rows.length <= WHOLE_MOST;
  const at = whole ? -1 : rows.findIndex(({ id }) => id === current);
  const rangeExtractor = useCallback(
    (range: Range) => {
      const inSight = defaultRangeExtractor(range);
      return at < 0 || inSight.includes(at) ? inSight : [...inSight, at].sort((a, b) => a - b);
    },
    [at],
  );
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => list.current,
    estimateSize: () => ROW,
    overscan: BESIDES,
    enabled: !whole,
    rangeExtractor,
  });
  const drawn: readonly DrawnRow[] = whole
    ? rows.map((row) => ({ row, top: undefined }))
    : virtual.getVirtualItems().flatMap(({ index, start }) => (rows[index] ? [{ row: rows[index], top: start }] : []));

  const show = useRef((_: string) => {});
  useEffect(() => {
    show.current = (id) => {
      if (whole) list.current?.querySelector(`[data-row="${id}"]`)?.scrollIntoView({ block: 'nearest' });
      else {
        const index = rows.findIndex((row) => row.id === id);
        if (index >= 0) virtual.scrollToIndex(index, { align: 'auto' });
      }
    };
  });
  return { drawn, height: whole ? undefined : virtual.getTotalSize(), show };
}
