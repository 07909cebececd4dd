import { useEffect, useRef } from 'react';
import type { RefObject } from 'react';
import { useDrawn } from '../drawn/use-drawn';
import type { Row } from './rows';

/** A row's height, px: 1.5rem in `OutlineRow`. */
const ROW = 24;
/** Up to here all rows are drawn. */
const WHOLE_MOST = 400;

interface DrawnRow {
  readonly row: Row;
  readonly top: number | undefined;
}

/** Of a long list only the rows in sight, and always the one that the keyboard is at. */
export function useDrawnRows(list: RefObject<HTMLElement | null>, rows: readonly Row[], current: string) {
  const at = rows.length <= WHOLE_MOST ? -1 : rows.findIndex(({ id }) => id === current);
  const { drawn, whole, height, scrollTo } = useDrawn({
    ...{ count: rows.length, scroller: () => list.current, size: ROW, most: WHOLE_MOST, keep: [at] },
  });
  const own: readonly DrawnRow[] = drawn.flatMap(({ index, top }) => (rows[index] ? [{ row: rows[index], top }] : []));

  const show = useRef((_: string) => {});
  useEffect(() => {
    show.current = (id) => {
      if (whole) list.current?.querySelector(`[data-row="${id}"]`)?.scrollIntoView({ block: 'nearest' });
      else {
        const index = rows.findIndex((row) => row.id === id);
        if (index >= 0) scrollTo(index);
      }
    };
  });
  return { drawn: own, height, show };
}
