'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import type { KeyboardEvent } from 'react';
import { useRef } from 'react';
import type { SampleSet, Table } from '@/core/document';
import { SIGN_BUTTON } from '../theme/controls';
import { addField, pasteCells, removeField, renameField, spliceRows, writeCell } from './table-edits';

/** A row's height, px. */
const ROW = 26;
const HEAD = 28;
const COLUMN = 180;
const NUMBER = 48;

/** Cells to type into. Up and down go from row to row, Tab from cell to cell; of a long table only the rows in sight are drawn. */
export function TableGrid({ table, set }: { table: Table; set: SampleSet }) {
  const box = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: set.rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW,
    overscan: 12,
    paddingStart: HEAD,
    scrollPaddingStart: HEAD,
  });
  // The row that keys have asked for and that isn't drawn yet: those that come meanwhile go on from there.
  const wanted = useRef<number>(undefined);
  const goTo = (row: number, column: number) => {
    if (row < 0 || row >= set.rows.length) return;
    const cell = () => box.current?.querySelector<HTMLInputElement>(`[data-cell="${row} ${column}"]`);
    virtual.scrollToIndex(row);
    wanted.current = row;
    const arrive = (triesLeft: number) => {
      if (wanted.current !== row) return;
      const there = cell();
      if (there) {
        there.focus({ preventScroll: true });
        wanted.current = undefined;
      } else if (triesLeft > 0) requestAnimationFrame(() => arrive(triesLeft - 1));
      else wanted.current = undefined;
    };
    arrive(20);
  };
  const width = NUMBER + table.fields.length * COLUMN + 40;
  const line = { gridTemplateColumns: `${NUMBER}px repeat(${table.fields.length}, ${COLUMN}px) 40px`, width };
  const add = () => {
    if (spliceRows(table, set, set.rows.length, 0, [table.fields.map(() => '')]))
      requestAnimationFrame(() => goTo(set.rows.length, 0));
  };
  return (
    <>
      <div
        ref={box}
        role="grid"
        aria-label={`${table.name}, ${set.name}`}
        aria-rowcount={set.rows.length + 1}
        aria-colcount={table.fields.length + 1}
        className="min-h-0 flex-1 overflow-auto rounded-[4px] border border-line-strong bg-well"
        tabIndex={-1}
      >
        <div className="relative" style={{ height: virtual.getTotalSize(), minHeight: HEAD, width }} role="presentation">
          <div
            role="row"
            aria-rowindex={1}
            className="sticky top-0 z-10 grid border-b border-line-strong bg-paper"
            style={{ ...line, height: HEAD }}
          >
            <span role="columnheader" className="px-1.5 py-1 text-right text-xs text-muted">
              №
            </span>
            {table.fields.map((field) => (
              <span key={field.id} role="columnheader" className="flex items-center border-l border-line pr-1">
                <NameField
                  label={`Name of column ${field.name}`}
                  name={field.name}
                  rename={(name) => renameField(table, field.id, name)}
                />
                <button
                  type="button"
                  className={SIGN_BUTTON}
                  aria-label={`Remove column ${field.name}`}
                  title="Remove this column, in all sets"
                  disabled={table.fields.length === 1}
                  onClick={() => removeField(table, field.id)}
                >
                  ×
                </button>
              </span>
            ))}
            <span role="columnheader" className="border-l border-line px-1 py-0.5">
              <button
                type="button"
                className={SIGN_BUTTON}
                aria-label="Add a column"
                title="Add a column"
                onClick={() => addField(table)}
              >
                +
              </button>
            </span>
          </div>
          {virtual.getVirtualItems().map(({ index, start }) => (
            <div
              key={index}
              role="row"
              aria-rowindex={index + 2}
              className="absolute left-0 grid border-b border-line"
              style={{ ...line, height: ROW, top: start }}
            >
              <span role="rowheader" className="flex items-center justify-end px-1.5 font-mono text-xs text-muted">
                {index + 1}
              </span>
              {table.fields.map((field, column) => (
                <span key={field.id} role="gridcell" className="border-l border-line">
                  <Cell
                    at={`${index} ${column}`}
                    label={`${field.name}, row ${index + 1}`}
                    value={set.rows[index]?.[column] ?? ''}
                    write={(value) => writeCell(table, set, index, field.id, value)}
                    go={(by) => goTo((wanted.current ?? index) + by, column)}
                    paste={(text) => {
                      if (pasteCells(table, set, index, column, text)) requestAnimationFrame(() => goTo(index, column));
                    }}
                  />
                </span>
              ))}
              <span role="gridcell" className="border-l border-line px-1 py-0.5">
                <button
                  type="button"
                  className={SIGN_BUTTON}
                  aria-label={`Remove row ${index + 1}`}
                  title="Remove this row"
                  onClick={() => spliceRows(table, set, index, 1, [])}
                >
                  ×
                </button>
              </span>
            </div>
          ))}
        </div>
      </div>
      <div className="flex items-center gap-3 pt-2">
        <button
          type="button"
          className="rounded-[4px] border border-line-strong bg-sheet px-2 py-0.5 hover:bg-paper"
          onClick={add}
        >
          Add a row
        </button>
        <span className="text-muted">
          {set.rows.length} {set.rows.length === 1 ? 'row' : 'rows'}. What was copied of another table can be pasted from a cell
          on.
        </span>
      </div>
    </>
  );
}

interface CellProps {
  readonly at: string;
  readonly label: string;
  readonly value: string;
  readonly write: (value: string) => boolean;
  readonly go: (by: 1 | -1) => void;
  readonly paste: (text: string) => void;
}

function Cell({ at, label, value, write, go, paste }: CellProps) {
  const keys = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 'Escape' && event.currentTarget.value !== value) {
      event.currentTarget.value = value;
      event.stopPropagation();
    }
    const by = event.key === 'ArrowDown' || event.key === 'Enter' ? 1 : event.key === 'ArrowUp' ? -1 : undefined;
    if (by === undefined) return;
    event.preventDefault();
    if (event.currentTarget.value !== value) write(event.currentTarget.value);
    go(by);
  };
  return (
    <input
      key={value}
      data-cell={at}
      aria-label={label}
      className="h-full w-full border-0 bg-transparent px-1.5 focus:bg-sheet"
      defaultValue={value}
      onKeyDown={keys}
      onBlur={({ target }) => {
        if (target.value !== value && !write(target.value)) target.value = value;
      }}
      onPaste={(event) => {
        const text = event.clipboardData.getData('text/plain');
        if (!/[\t\n]/.test(text.replace(/\r?\n$/, ''))) return;
        event.preventDefault();
        paste(text);
      }}
    />
  );
}

/** A name that is changed where it stands. */
export function NameField({ label, name, rename }: { label: string; name: string; rename: (name: string) => boolean }) {
  return (
    <input
      key={name}
      aria-label={label}
      className="min-w-0 flex-1 border-0 bg-transparent px-1.5 font-semibold focus:bg-sheet"
      defaultValue={name}
      onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      onBlur={({ target }) => {
        const wanted = target.value.trim();
        if (wanted === name || wanted === '' || !rename(wanted)) target.value = name;
      }}
    />
  );
}
