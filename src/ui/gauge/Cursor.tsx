'use client';

import { bandAt, contains } from '@/core/breakpoints';
import type { Finding } from '@/core/audit';
import { jumpToBreakpoint, jumpToFinding, setWidth } from '../view/actions';
import { shownSet } from '../state/shown-set';
import { useSession, WIDTH_MAX, WIDTH_MIN } from '../state/store';
import { followPointer } from '../input/follow-pointer';
import type { Scale } from './scale';

const NONE: readonly Finding[] = [];

/** The width that the stage shows. Drag along the scale; arrows 1 px, Shift 10; J, K and N, M jump. */
export function Cursor({ scale }: { scale: Scale }) {
  const width = useSession((session) => session.width);
  const set = useSession(shownSet);
  const slice = useSession((session) => session.slice);
  const findings = useSession((session) => session.findings[session.pageId] ?? NONE);
  const here = findings.filter((finding) => contains(finding.widths, width)).length;
  const x = scale.x(width);
  const inside = x >= 0 && x <= scale.length;
  return (
    <>
      <div
        role="slider"
        tabIndex={0}
        aria-label="Viewport width"
        aria-valuemin={WIDTH_MIN}
        aria-valuemax={WIDTH_MAX}
        aria-valuenow={width}
        aria-valuetext={`${width} pixels, band ${bandAt(set, width, slice).name}, ${here === 1 ? '1 finding' : `${here} findings`}`}
        data-testid="cursor"
        className="pointer-events-auto absolute top-0 h-[38px] w-full cursor-ew-resize touch-none"
        onPointerDown={(event) => {
          const { left } = event.currentTarget.getBoundingClientRect();
          setWidth(scale.width(event.clientX - left));
          followPointer(event, ({ x: at }) => setWidth(scale.width(at - left)));
        }}
        onKeyDown={(event) => {
          if (event.ctrlKey || event.metaKey || event.altKey) return;
          const step = event.shiftKey ? 10 : 1;
          if (event.key === 'ArrowRight' || event.key === 'ArrowUp') setWidth(width + step);
          else if (event.key === 'ArrowLeft' || event.key === 'ArrowDown') setWidth(width - step);
          else if (event.key === 'PageUp') jumpToBreakpoint(1);
          else if (event.key === 'PageDown') jumpToBreakpoint(-1);
          else if (event.key === 'Home') setWidth(WIDTH_MIN);
          else if (event.key === 'End') setWidth(WIDTH_MAX);
          else if (event.key === 'n') jumpToFinding(-1);
          else if (event.key === 'm') jumpToFinding(1);
          else return;
          event.preventDefault();
          event.stopPropagation();
        }}
      />
      {inside && (
        <div
          aria-hidden
          className="absolute top-0 bottom-1 w-0 will-change-transform"
          style={{ transform: `translateX(${x}px)` }}
        >
          <div className="absolute top-0 h-full w-[2px] -translate-x-1/2 bg-reed" />
          <div className="absolute top-0 -translate-x-1/2 bg-reed px-2.5 font-mono text-[12px] leading-4 font-bold text-on-reed">
            {width}
          </div>
        </div>
      )}
    </>
  );
}
