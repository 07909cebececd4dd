import type { CSSProperties, ReactNode } from 'react';
import { useLayoutEffect, useRef, useState } from 'react';
import type { Page } from '@/core/document';
import { useBegin } from '../drawn/use-begin';
import { useDrawn } from '../drawn/use-drawn';
import { useSize } from '../stage/use-size';

/** Up to so many cards all are drawn. */
const WHOLE_MOST = 24;
/** Rows drawn above and below those in sight: each card has a page in it. */
const BESIDES = 1;
/** Between cards, px: `gap-4`. */
const GAP = 16;
/** Of a card that isn't drawn yet, px. */
const CARD = { width: 232, height: 176 } as const;

interface Props {
  readonly label: string;
  readonly pages: readonly Page[];
  /** The page that is current: its card is always drawn. */
  readonly current: string;
  readonly scroller: HTMLElement | null;
  /** @param place where the card stands; undefined where it stands by itself */
  readonly children: (page: Page, place: CSSProperties | undefined) => ReactNode;
}

/** Cards of pages in rows, as many in each as there is room for; of many pages only the rows in sight are drawn. */
export function Cards({ label, pages, current, scroller, children }: Props) {
  const list = useRef<HTMLUListElement>(null);
  const [card, setCard] = useState<{ readonly width: number; readonly height: number }>(CARD);
  const [box, setBox] = useState<HTMLElement | null>(null);
  const room = useSize(box).width;
  const [wide, high] = [card.width + GAP, card.height + GAP];
  const columns = Math.max(1, Math.floor((room + GAP) / wide));
  const row = Math.floor(pages.findIndex(({ id }) => id === current) / columns);
  const margin = useBegin(list, scroller);
  const whole = pages.length <= WHOLE_MOST;
  const { drawn, height } = useDrawn({
    ...{
      count: Math.ceil(pages.length / columns),
      scroller: () => scroller,
      size: high,
      most: whole ? Infinity : 0,
      margin,
      besides: BESIDES,
    },
    keep: [row - 1, row, row + 1],
  });
  // Text that a reader makes larger makes them higher.
  useLayoutEffect(() => {
    const drawnOne = list.current?.querySelector('li');
    if (!drawnOne) return;
    const { width, height: tall } = drawnOne.getBoundingClientRect();
    if (width !== card.width || tall !== card.height) setCard({ width, height: tall });
  }, [card, drawn]);
  const placeOf = (index: number, top: number): CSSProperties => ({ position: 'absolute', top, left: (index % columns) * wide });
  return (
    <div ref={setBox}>
      <ul ref={list} aria-label={label} className="relative m-0 flex flex-wrap gap-4 p-0" style={{ height }}>
        {whole
          ? pages.map((page) => children(page, undefined))
          : drawn.flatMap(({ index, top }) =>
              pages
                .slice(index * columns, (index + 1) * columns)
                .map((page, i) => children(page, placeOf(index * columns + i, top ?? 0))),
            )}
      </ul>
    </div>
  );
}
