'use client';

import { useState } from 'react';
import type { Span, SpanCell, SpanColumn } from '@/core/grid';
import { formatSpan, parseSpan } from '@/core/grid';
import { spanEdit } from '@/core/plans';
import { CARRIAGE_WORDS } from '../origin/OriginMark';
import { followPointer } from '../input/follow-pointer';
import { announce, commitOrReport, preview } from '../editing/edits';

interface Props {
  readonly name: string;
  readonly cell: SpanCell;
  readonly column: SpanColumn;
  readonly at: { readonly left: number; readonly width: number };
  readonly place: string;
  readonly tabbed: boolean;
  readonly focus: () => void;
}

const MOST = 48;

/** The columns that one item takes in one band: typed, dragged at either end, or stepped with + and −. */
export function SpanCellView({ name, cell, column, at, place, tabbed, focus }: Props) {
  const [typed, setTyped] = useState<string>();
  const [problem, setProblem] = useState(false);
  const { band, columns, fit } = column;
  const { asked, placed, away, carriage } = cell;
  const words = away ?? (columns === undefined ? '–' : asked ? formatSpan(asked) : '');
  const used = Math.max(columns ?? 1, fit?.used ?? 1);
  const over = placed !== undefined && columns !== undefined && placed.start + placed.span - 1 > columns;

  const write = (span: Span) => commitOrReport(spanEdit(cell.item, band.home, span));
  const step = (by: number) => {
    if (asked && asked.span + by >= 1 && asked.span + by <= MOST) write({ ...asked, span: asked.span + by });
  };
  const finish = () => {
    if (typed === undefined) return;
    const span = parseSpan(typed);
    if (!span || span.span > MOST) return setProblem(true);
    setTyped(undefined);
    setProblem(false);
    if (!asked || formatSpan(span) !== formatSpan(asked)) write(span);
  };
  const clear = () => {
    commitOrReport({
      type: 'restyle',
      label: `Clear the span of ${name}`,
      changes: ['grid-column-start', 'grid-column-end'].map((property) => ({
        owner: cell.item,
        at: band.home,
        property,
        value: null,
      })),
    });
  };
  const drag = (event: React.PointerEvent<HTMLElement>, end: 'start' | 'end') => {
    event.stopPropagation();
    if (!placed || !columns) return;
    const unit = at.width / used;
    let next: Span | undefined;
    followPointer(
      event,
      ({ dx }) => {
        const by = Math.round(dx / unit);
        const last = placed.start + placed.span - 1;
        if (end === 'end') next = { ...asked, span: Math.max(1, Math.min(MOST, placed.span + by)) };
        else {
          const start = Math.max(1, Math.min(last, placed.start + by));
          next = { start, span: last - start + 1 };
        }
        preview(spanEdit(cell.item, band.home, next));
      },
      (wasDrag) => {
        if (wasDrag && next) write(next);
        else preview(undefined);
      },
      () => preview(undefined),
    );
  };

  if (typed !== undefined)
    return (
      <input
        autoFocus
        aria-label={`${name}, columns in ${band.name}`}
        aria-invalid={problem}
        title={problem ? 'Write a number of columns, such as 3, or 3 from 4.' : undefined}
        className={`absolute inset-y-px rounded-[3px] border bg-well px-1 font-mono text-[12px] ${problem ? 'border-rust' : 'border-reed'}`}
        style={{ left: at.left, width: Math.min(at.width, 120) }}
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          setProblem(false);
        }}
        onBlur={() => {
          if (!problem && parseSpan(typed)) finish();
          else setTyped(undefined);
          setProblem(false);
        }}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === 'Enter') {
            finish();
            if (!parseSpan(typed)) announce('Write a number of columns, such as 3, or 3 from 4.');
          }
          if (event.key === 'Escape') {
            setTyped(undefined);
            setProblem(false);
          }
        }}
      />
    );
  return (
    <div
      role="gridcell"
      tabIndex={tabbed ? 0 : -1}
      data-span={place}
      data-value={words}
      aria-label={`${name}, ${band.name}: ${columns === undefined ? 'no grid here' : `${words} of ${columns} columns`}${placed ? `, row ${placed.row}` : ''}, ${CARRIAGE_WORDS[carriage]}${over ? ', more than there are' : ''}`}
      className="absolute inset-y-0 border-r border-line -outline-offset-2"
      style={at}
      onFocus={focus}
      onDoubleClick={() => asked && columns && setTyped(words)}
      onKeyDown={(event) => {
        if (!columns || event.ctrlKey || event.altKey || event.metaKey) return;
        if (event.key === '+' || event.key === '=') step(1);
        else if (event.key === '-') step(-1);
        else if (event.key === 'Enter') setTyped(words);
        else if (/^\d$/.test(event.key)) setTyped(event.key);
        else if (event.key === 'Delete' || event.key === 'Backspace') clear();
        else return;
        event.preventDefault();
        event.stopPropagation();
      }}
    >
      {columns !== undefined && columns <= 24 && at.width / used > 5 && (
        <span
          aria-hidden
          className="absolute inset-y-1 opacity-60"
          style={{
            left: 0,
            width: (at.width * columns) / used,
            backgroundImage: 'linear-gradient(90deg, var(--line) 1px, transparent 1px)',
            backgroundSize: `${at.width / used}px 100%`,
          }}
        />
      )}
      {placed ? (
        <span
          className={`absolute inset-y-[3px] flex items-center justify-center rounded-[2px] border ${over ? 'border-rust bg-rust-tint text-rust' : `pattern-${carriage}`}`}
          style={{ left: ((placed.start - 1) / used) * at.width + 1, width: Math.max(4, (placed.span / used) * at.width - 2) }}
        >
          <span className="truncate rounded-[2px] bg-inherit px-0.5 font-mono text-[11px]">{words}</span>
          <span
            className="absolute inset-y-0 -left-0.5 w-1.5 cursor-ew-resize touch-none"
            onPointerDown={(event) => drag(event, 'start')}
          />
          <span
            data-end
            className="absolute inset-y-0 -right-0.5 w-1.5 cursor-ew-resize touch-none"
            onPointerDown={(event) => drag(event, 'end')}
          />
        </span>
      ) : (
        <span className="absolute inset-y-0 left-1 truncate pt-0.5 text-xs text-muted">{words}</span>
      )}
    </div>
  );
}
