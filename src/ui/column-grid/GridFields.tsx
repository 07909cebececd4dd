'use client';

import type { ColumnGrid } from '@/core/document';
import { columnGridSchema } from '@/core/document';
import { CheckedField } from '../value-controls/CheckedField';

interface Props {
  readonly grid: ColumnGrid;
  readonly write: (grid: ColumnGrid) => string | undefined;
}

const NUMBERS = [
  ['columns', 'Columns', ''],
  ['gutter', 'Gutter', 'px'],
  ['margin', 'Margin', 'px'],
  ['columnWidth', 'Column width', 'px; empty: stretches'],
  ['bodyMost', 'Widest body', 'px; empty: no limit'],
  ['columnLeast', 'No column under', 'px'],
] as const;

/** The numbers of one column grid. What can't be a grid says why and stays in its field. */
export function GridFields({ grid, write }: Props) {
  const tried = (change: Partial<ColumnGrid>) => {
    const next = { ...grid, ...change };
    const result = columnGridSchema.safeParse(next);
    return result.success ? write(result.data) : result.error.issues[0]!.message;
  };
  return (
    <div className="pb-2">
      {NUMBERS.map(([name, label, unit]) => (
        <label key={name} className="flex items-start gap-1 py-px">
          <span className="w-[104px] shrink-0 pt-0.5">{label}</span>
          <CheckedField
            label={label}
            className="w-20 shrink-0"
            value={grid[name] === undefined ? '' : String(grid[name])}
            write={(text) => {
              const plain = text.replace(/\s*px$/, '');
              if (plain === '')
                return name === 'columnWidth' || name === 'bodyMost' ? tried({ [name]: undefined }) : `${label} needs a number.`;
              return Number.isFinite(Number(plain)) ? tried({ [name]: Number(plain) }) : `"${text.slice(0, 20)}" isn't a number.`;
            }}
          />
          <span className="pt-0.5 text-xs text-muted">{unit}</span>
        </label>
      ))}
      <label className="flex items-center gap-1 py-px">
        <span className="w-[104px] shrink-0">Body stands</span>
        <select
          className="h-[22px] w-20 rounded-[3px] border border-line-strong bg-well"
          value={grid.align}
          onChange={(event) => tried({ align: event.target.value as ColumnGrid['align'] })}
        >
          <option value="centre">centred</option>
          <option value="left">left</option>
        </select>
      </label>
    </div>
  );
}
