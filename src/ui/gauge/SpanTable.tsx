'use client';

import { memo, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { spanTable } from '@/core/grid';
import type { SpanColumn } from '@/core/grid';
import type { Page } from '@/core/document';
import { childIds, parentOf } from '@/core/document';
import { planLayOnColumns } from '@/core/plans';
import { useDrawn } from '../drawn/use-drawn';
import { propose } from '../editing/proposal';
import { shownPage, shownProject, useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import type { Scale } from './scale';
import { place } from './scale';
import { SpanCellView } from './SpanCellView';
import { SpanHead } from './SpanHead';

/** A row's height, and that of the heads above all rows, px. */
const ROW = 24;
const HEADS = 44;
/** Up to here all rows are drawn. */
const WHOLE_MOST = 60;

/** The row whose items are shown: what is selected if it holds elements, else what that stands in. */
function rowFor(page: Page, id: string | undefined): string | undefined {
  const element = id === undefined ? undefined : page.elements[id];
  return element && childIds(element).length > 0 ? element.id : element && parentOf(page, element.id)?.id;
}

/** Rows are the children of a row, columns are the bands: how many columns each takes there, and how the row breaks. */
export const SpanTable = memo(function SpanTable({ scale, labelWidth }: { scale: Scale; labelWidth: number }) {
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const slice = useSession((session) => session.slice);
  const selection = useSession((session) => session.selection);
  const [focused, setFocused] = useState({ row: 0, column: 0 });
  const grid = useRef<HTMLDivElement>(null);
  const id = rowFor(page, selection[selection.length - 1]);
  const row = id === undefined ? undefined : page.elements[id];
  const columns = useMemo(() => (row ? spanTable(project, page, row, slice) : []), [project, page, row, slice]);
  const items = row ? childIds(row) : [];
  const { drawn, height } = useDrawn({
    ...{ count: items.length, scroller: () => grid.current, size: ROW, most: WHOLE_MOST, margin: HEADS },
    keep: [focused.row],
  });
  if (!row || items.length === 0)
    return (
      <p className="m-0 flex-1 border-t border-line py-2 text-muted" style={{ paddingLeft: labelWidth + 14 }}>
        Select a row, or something in it, to see how many columns its items take in each band.
      </p>
    );
  const shown = columns.flatMap((column): [SpanColumn, { left: number; width: number }][] => {
    const at = place(scale, column.band.from, column.band.below);
    return at ? [[column, at]] : [];
  });
  const go = (to: number, column: number) => {
    const next = { row: Math.min(items.length - 1, Math.max(0, to)), column: Math.min(shown.length - 1, Math.max(0, column)) };
    // Drawn first, where it was out of sight; the focus then scrolls there.
    flushSync(() => setFocused(next));
    grid.current?.querySelector<HTMLElement>(`[data-span="${next.row} ${next.column}"]`)?.focus();
  };
  const keyDown = (event: React.KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const way = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key];
    if (!way) return;
    go(focused.row + way[0]!, focused.column + way[1]!);
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div
      ref={grid}
      role="grid"
      aria-rowcount={items.length + 1}
      aria-label={`Columns that the items of ${row.name} take, band by band`}
      data-testid="span-table"
      className="part relative min-h-0 flex-1 overflow-x-hidden overflow-y-auto border-t border-line [scrollbar-width:thin]"
      // The heads must not lie over what has the focus.
      style={{ scrollPaddingTop: HEADS }}
      onKeyDown={keyDown}
    >
      <div role="row" className="sticky top-0 z-10 border-b border-line-strong bg-sheet" style={{ height: HEADS }}>
        <span role="columnheader" className="absolute flex flex-col truncate pt-0.5 pl-3.5" style={{ width: labelWidth }}>
          <b className="truncate">{row.name}</b>
          <button
            type="button"
            className={`${BUTTON} mr-2 self-start py-0 text-xs`}
            onClick={() => propose((now, at, one) => planLayOnColumns(now, at, one, row.id))}
          >
            Lay on the columns
          </button>
        </span>
        <div role="presentation" className="absolute inset-y-0" style={{ left: labelWidth + 14, width: scale.length }}>
          {shown.map(([column, at]) => (
            <SpanHead key={column.band.from} row={row.id} column={column} at={at} />
          ))}
        </div>
      </div>
      <div role="rowgroup" className="relative" style={{ height }}>
        {drawn.map(({ index, top }) => {
          const item = items[index]!;
          return (
            <div
              key={item}
              role="row"
              aria-rowindex={index + 2}
              className="right-0 left-0 border-b border-line"
              style={{ position: top === undefined ? 'relative' : 'absolute', top, height: ROW }}
            >
              <span role="rowheader" className="absolute truncate pt-0.5 pl-3.5" style={{ width: labelWidth - 4 }}>
                {page.elements[item]!.name}
              </span>
              <div role="presentation" className="absolute inset-y-0" style={{ left: labelWidth + 14, width: scale.length }}>
                {shown.map(([column, at], j) => (
                  <SpanCellView
                    key={column.band.from}
                    name={page.elements[item]!.name}
                    cell={column.cells[index]!}
                    column={column}
                    at={at}
                    place={`${index} ${j}`}
                    tabbed={focused.row === index && focused.column === j}
                    focus={() => setFocused({ row: index, column: j })}
                  />
                ))}
              </div>
            </div>
          );
        })}
      </div>
    </div>
  );
});
