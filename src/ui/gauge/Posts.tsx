'use client';

import { useState } from 'react';
import { conditionEdge, describeCondition, shownWidth } from '@/core/breakpoints';
import type { Edit } from '@/core/edits';
import { commitOrReport, preview } from '../session/edits';
import { setWidth } from '../session/actions';
import { shownProject, useSession } from '../session/store';
import { followPointer } from '../pointer/follow-pointer';
import { edgeFor } from './edge';
import { PostCard } from './PostCard';
import type { Scale } from './scale';

/** The breakpoints, each with its exact width at its foot. Drag it, step it with the arrows, press it for more. */
export function Posts({ scale }: { scale: Scale }) {
  const project = useSession(shownProject);
  const [open, setOpen] = useState<string>();
  return (
    <>
      {project.breakpoints.map((breakpoint) => {
        const x = scale.x(conditionEdge(breakpoint.condition));
        if (x < -1 || x > scale.length + 1) return null;
        const moveTo = (width: number): Edit => ({
          type: 'moveBreakpoint',
          id: breakpoint.id,
          edge: edgeFor(breakpoint, width),
        });
        const step = (by: number) => commitOrReport(moveTo(shownWidth(breakpoint.condition) + by));
        return (
          <div key={breakpoint.id}>
            <div aria-hidden className="absolute top-[22px] bottom-[22px] w-px bg-ink" style={{ left: x }} />
            <button
              type="button"
              aria-label={`Breakpoint ${breakpoint.name}, ${describeCondition(breakpoint.condition)}`}
              aria-haspopup="dialog"
              aria-expanded={open === breakpoint.id}
              title={`${breakpoint.name}: ${describeCondition(breakpoint.condition)}. Drag to move, press for more.`}
              data-post={breakpoint.id}
              className="pointer-events-auto absolute bottom-[5px] h-[18px] -translate-x-1/2 cursor-ew-resize touch-none rounded-[3px] border-0 bg-ink px-2 font-mono text-[11.5px] text-sheet"
              style={{ left: x }}
              onPointerDown={(event) => {
                let last: Edit | undefined;
                followPointer(
                  event,
                  ({ dx }) => {
                    // The edge follows the pointer by the way it has gone, wherever the foot was pressed.
                    const wanted = Math.round(scale.width(x + dx)) - ('below' in breakpoint.condition ? 1 : 0);
                    last = moveTo(wanted);
                    preview(last);
                    setWidth(wanted);
                  },
                  () => {
                    if (last) commitOrReport(last);
                    else setOpen(open === breakpoint.id ? undefined : breakpoint.id);
                  },
                );
              }}
              onKeyDown={(event) => {
                const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
                if (by !== 0) step(by * (event.shiftKey ? 10 : 1));
                else if (event.key === 'Enter' || event.key === ' ') setOpen(breakpoint.id);
                else if (event.key === 'Delete' || event.key === 'Backspace')
                  commitOrReport({ type: 'removeBreakpoint', id: breakpoint.id });
                else return;
                event.preventDefault();
                event.stopPropagation();
              }}
            >
              {'below' in breakpoint.condition ? '‹ ' : ''}
              {shownWidth(breakpoint.condition)}
              {'from' in breakpoint.condition ? ' ›' : ''}
            </button>
            {open === breakpoint.id && (
              <PostCard
                breakpoint={breakpoint}
                x={Math.min(scale.length - 130, Math.max(130, x))}
                close={() => setOpen(undefined)}
              />
            )}
          </div>
        );
      })}
    </>
  );
}
