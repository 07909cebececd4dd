'use client';

import type { Viewport } from '@/core/breakpoints';
import { keepIn } from '@/core/lineup';
import { shownPage, shownProject, useSession, useMarks } from '../state/store';
import { ColumnMarks } from './ColumnMarks';

interface Props {
  readonly viewport: Viewport;
  /** Width that the page has beside a classic scrollbar, px. */
  readonly content: number;
  readonly zoom: number;
  /** How far the page is scrolled, px. */
  readonly scrollY: number;
  /** The other viewports that are looked at. */
  readonly others: readonly Viewport[];
}

/** Marks that belong to the viewport, not to its elements: drawn by the editor over the frame. */
export function ViewportMarks({ viewport, content, zoom, scrollY, others }: Props) {
  const marks = useMarks();
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const fold = (viewport.height - scrollY) * zoom;
  const shared = marks.keepIn ? keepIn(project, viewport, others) : undefined;
  return (
    <>
      {marks.columns && <ColumnMarks zoom={zoom} viewport={viewport} content={content} page={page} />}
      {shared && (
        <div
          className="absolute top-0 left-0 border-r-2 border-b-2 border-dashed border-reed"
          data-testid="keep-in"
          style={{ width: shared.width * zoom, height: shared.height === undefined ? '100%' : shared.height * zoom }}
        >
          <span className="absolute right-1 bottom-1 rounded-[3px] bg-reed-tint px-1 font-mono text-[10px] whitespace-nowrap text-reed">
            all of {shared.band.name}: {shared.width}
            {shared.height !== undefined && ` × ${shared.height}`}
          </span>
        </div>
      )}
      {marks.screenful && fold > 0 && (
        <div
          className="absolute inset-x-0 border-b-2 border-dashed border-amber-ink"
          data-testid="screenful"
          style={{ top: 0, height: fold }}
        >
          <span className="absolute right-1 bottom-0.5 rounded-[3px] bg-amber-tint px-1 font-mono text-[10px] text-amber-ink">
            {viewport.height}
          </span>
        </div>
      )}
    </>
  );
}
