'use client';

import { edgesOfColumns, gridAt, layColumns } from '@/core/grid';
import type { Viewport } from '@/core/breakpoints';
import type { Page } from '@/core/document';
import { shownProject, useSession } from '../state/store';

interface Props {
  readonly zoom: number;
  readonly viewport: Viewport;
  /** Width that the page has beside a classic scrollbar, px. */
  readonly content: number;
  readonly page: Page;
}

/** The page's column grid at a viewport, laid over the page like the blocks of a staff. */
export function ColumnMarks({ zoom, viewport, content, page }: Props) {
  const project = useSession(shownProject);
  const chosen = gridAt(project, page, viewport);
  if (!chosen)
    return (
      <p className="absolute top-2 left-2 m-0 rounded-[4px] bg-amber-tint px-2 py-0.5 text-xs">
        No column grid here yet: choose one under Grid.
      </p>
    );
  const columns = layColumns(chosen.grid, content);
  const wrong = !columns.fits || columns.tight;
  const px = Math.round(columns.columnWidth * 100) / 100;
  return (
    <div className="absolute inset-0" data-testid="columns">
      {edgesOfColumns(columns).map(({ left, right }, i) => (
        <div
          key={i}
          className={`absolute inset-y-0 border-x ${wrong ? 'border-rust/60 bg-rust/10' : i % 2 ? 'border-reed/40 bg-reed/8' : 'border-reed/40 bg-reed/14'}`}
          style={{ left: left * zoom, width: Math.max(1, (right - left) * zoom) }}
        >
          <span className="absolute top-0 left-0.5 font-mono text-[10px] text-reed">{i + 1}</span>
        </div>
      ))}
      <span
        className={`absolute bottom-1 left-2 rounded-[3px] px-1.5 font-mono text-[11px] ${wrong ? 'bg-rust-tint text-rust' : 'bg-reed-tint text-reed'}`}
      >
        {columns.count} columns of {px} px
        {columns.fits ? (columns.tight ? `, under ${chosen.grid.columnLeast} px` : '') : ', which do not fit'}
      </span>
    </div>
  );
}
