'use client';

import { useCallback, useState } from 'react';
import type { Breakpoint, Edge } from '@/core/breakpoints';
import { describeCondition, edgesOf, isWidthOnly, shownEdge } from '@/core/breakpoints';
import type { Edit } from '@/core/edits';
import { commitOrReport, preview } from '../editing/edits';
import { setWidth } from '../view/actions';
import { shownSet } from '../state/shown-set';
import { useSession } from '../state/store';
import { followPointer } from '../input/follow-pointer';
import { removeBreakpoint } from '../breakpoints/removing';
import { edgeFor } from './edge';
import { PostCard } from './PostCard';
import type { Scale } from './scale';

/** The edges of the breakpoints, each with its exact width at its foot. Drag it, step it with the arrows, press it for more. */
export function Posts({ scale }: { scale: Scale }) {
  const { breakpoints } = useSession(shownSet);
  const [open, setOpen] = useState<string>();
  const close = useCallback(() => setOpen(undefined), []);
  return (
    <>
      {breakpoints.flatMap((breakpoint) =>
        edgesOf(breakpoint.condition).map((edge) => {
          const x = scale.x(edge.at);
          if (x < -1 || x > scale.length + 1) return null;
          const key = `${breakpoint.id} ${edge.side}`;
          return (
            <div key={key}>
              <div
                aria-hidden
                className={`absolute top-[22px] bottom-[22px] w-px ${isWidthOnly(breakpoint.condition) ? 'bg-ink' : 'border-l border-dashed border-ink'}`}
                style={{ left: x }}
              />
              <Foot
                breakpoint={breakpoint}
                edge={edge}
                scale={scale}
                x={x}
                open={open === key}
                setOpen={(is) => setOpen(is ? key : undefined)}
              />
              {open === key && (
                <PostCard breakpoint={breakpoint} x={Math.min(scale.length - 140, Math.max(140, x))} close={close} />
              )}
            </div>
          );
        }),
      )}
    </>
  );
}

interface FootProps {
  readonly breakpoint: Breakpoint;
  readonly edge: Edge;
  readonly scale: Scale;
  readonly x: number;
  readonly open: boolean;
  readonly setOpen: (open: boolean) => void;
}

/** What is held on to: the edge's width, with a mark for the side on which the breakpoint holds. */
function Foot({ breakpoint, edge, scale, x, open, setOpen }: FootProps) {
  const moveTo = (width: number): Edit => ({
    type: 'moveBreakpoint',
    id: breakpoint.id,
    side: edge.side,
    edge: edgeFor(edge.side, width),
  });
  const words = describeCondition(breakpoint.condition);
  const bounded = edgesOf(breakpoint.condition).length > 1;
  const which = bounded ? (edge.side === 'from' ? ', begin' : ', end') : '';
  return (
    <button
      type="button"
      aria-label={`Breakpoint ${breakpoint.name}, ${words}${which}`}
      aria-haspopup="dialog"
      aria-expanded={open}
      title={`${breakpoint.name}: ${words}. Drag to move, press for more.`}
      data-post={breakpoint.id}
      data-side={edge.side}
      className="pointer-events-auto absolute bottom-[5px] h-[18px] -translate-x-1/2 cursor-ew-resize touch-none rounded-[3px] border-0 bg-ink px-2 font-mono text-[11.5px] whitespace-nowrap text-sheet"
      style={{ left: x }}
      onPointerDown={(event) => {
        let last: Edit | undefined;
        followPointer(
          event,
          ({ dx }) => {
            // The edge follows the pointer by the way it has gone, wherever the foot was pressed.
            const wanted = Math.round(scale.width(x + dx)) - (edge.side === 'below' ? 1 : 0);
            last = moveTo(wanted);
            preview(last);
            setWidth(wanted);
          },
          () => {
            if (last) commitOrReport(last);
            else setOpen(!open);
          },
        );
      }}
      onKeyDown={(event) => {
        const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
        if (by !== 0) commitOrReport(moveTo(shownEdge(edge) + by * (event.shiftKey ? 10 : 1)));
        else if (event.key === 'Enter' || event.key === ' ') setOpen(true);
        else if (event.key === 'Delete' || event.key === 'Backspace') removeBreakpoint(breakpoint.id);
        else return;
        event.preventDefault();
        event.stopPropagation();
      }}
    >
      {edge.side === 'below' ? '‹ ' : ''}
      {shownEdge(edge)}
      {edge.side === 'from' ? ' ›' : ''}
    </button>
  );
}
