'use client';

import type { SpanColumn } from '@/core/grid';
import { planShares } from '@/core/plans';
import type { Make } from '../editing/proposal';
import { carryOut, foretell } from '../editing/proposal';

const SHARES = [
  [1, 'Full', '1'],
  [2, 'Halves', '½'],
  [3, 'Thirds', '⅓'],
  [4, 'Quarters', '¼'],
] as const;

/** How the row fits in a band: "12 of 12, 1 row"; "14 of 12" where an item needs more columns than there are. */
function fitWords({ columns, display, fit }: SpanColumn): { words: string; over: boolean } {
  if (columns === undefined || !fit)
    return {
      words: /grid$/.test(display) ? 'columns by the room' : display === 'none' ? 'hidden' : `${display}, no grid`,
      over: false,
    };
  const over = fit.used > columns;
  const sums = fit.sums.map((sum) => `${sum}`).join(' + ');
  const rows = fit.rows === 1 ? 'one row' : `${fit.rows} rows`;
  return { words: `${over ? `needs ${fit.used}, ` : ''}${sums || 0} of ${columns}, ${rows}`, over };
}

/** A band's head in the span table: the sum against the columns, and one press for shares of all items. */
export function SpanHead({ row, column, at }: { row: string; column: SpanColumn; at: { left: number; width: number } }) {
  const { words, over } = fitWords(column);
  const { band } = column;
  const make =
    (parts: number): Make =>
    (project, slice, page) =>
      planShares(project, slice, page, row, band.home, parts);
  return (
    <div
      role="columnheader"
      aria-label={`${band.name}: ${words}`}
      className="absolute inset-y-0 overflow-hidden border-r border-line px-1 pt-0.5"
      style={at}
    >
      <span
        data-testid="span-fit"
        className={`block truncate font-mono text-[11px] ${over ? 'text-rust' : 'text-muted'}`}
        title={words}
      >
        {words}
      </span>
      <span className="flex gap-0.5 pt-0.5">
        {SHARES.map(([parts, label, sign]) => (
          <button
            key={parts}
            type="button"
            aria-label={`${label} in ${band.name}`}
            title={`All items: ${label.toLowerCase()} in ${band.name}`}
            className="h-[18px] min-w-[24px] rounded-[3px] border border-line bg-well px-1 text-xs hover:border-reed"
            onClick={() => {
              foretell(undefined);
              carryOut(make(parts));
            }}
            onFocus={() => foretell(make(parts))}
            onPointerEnter={() => foretell(make(parts))}
            onBlur={() => foretell(undefined)}
            onPointerLeave={() => foretell(undefined)}
          >
            {sign}
          </button>
        ))}
      </span>
    </div>
  );
}
