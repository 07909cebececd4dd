'use client';

import { memo, useMemo, useState } from 'react';
import type { Breakpoint } from '@/core/breakpoints';
import { bandAt, describeCondition } from '@/core/breakpoints';
import type { Edit } from '@/core/edits';
import { removeBreakpoint } from '../breakpoints/removing';
import { standsOf } from '../devices/line-up';
import { announce, commitOrReport, preview } from '../editing/edits';
import type { Scale } from '../gauge/scale';
import { gaugeScale, ticks } from '../gauge/scale';
import { followPointer } from '../input/follow-pointer';
import { useSize } from '../stage/use-size';
import { HEIGHT_MAX, HEIGHT_MIN, shownBandStart, shownProject, useLineup, useSession } from '../state/store';
import { chooseTarget, setSlice } from '../view/actions';
import { FirstMarks, SelectedSpan } from './StandingMarks';
import type { HeightEdge } from './heights';
import { addHeightHere, heightEdgesOf, movingHeight, nextHeight, shownHeight } from './heights';

const DOMAIN = { from: HEIGHT_MIN, to: 1400 };
const BUTTON = 'w-full border-0 bg-transparent px-1 py-0.5 text-left text-[11px] text-muted hover:bg-paper hover:text-ink';

/** The axis of heights, where it is wanted. */
export const HeightAxis = memo(function HeightAxis() {
  return useSession((session) => session.heightsShown) ? <Axis /> : null;
});

/** The instrument along the height axis, beside the page: scale, posts of breakpoints, devices of the band, the cursor. */
function Axis() {
  const [axis, setAxis] = useState<HTMLDivElement | null>(null);
  const { height: length } = useSize(axis);
  const scale = useMemo(() => gaugeScale(DOMAIN, length), [length]);
  const project = useSession(shownProject);
  return (
    <section aria-label="Heights" className="flex w-[88px] shrink-0 flex-col border-l border-line-strong bg-sheet select-none">
      <button
        type="button"
        className={BUTTON}
        title="New breakpoint: this height and shorter"
        onClick={() => addHeightHere('shorter')}
      >
        + and shorter
      </button>
      <button
        type="button"
        className={BUTTON}
        title="New breakpoint: this height and taller"
        onClick={() => addHeightHere('taller')}
      >
        + and taller
      </button>
      <div ref={setAxis} className="relative mt-2 mb-3 min-h-0 flex-1" data-testid="height-axis">
        <Staff scale={scale} />
        <HeightCursor scale={scale} />
        <DeviceTicks scale={scale} />
        <FirstMarks scale={scale} />
        <SelectedSpan scale={scale} />
        {project.breakpoints.flatMap((breakpoint) =>
          heightEdgesOf(breakpoint.condition).map((edge) => (
            <HeightPost key={`${breakpoint.id} ${edge.side}`} breakpoint={breakpoint} edge={edge} scale={scale} />
          )),
        )}
      </div>
    </section>
  );
}

function Staff({ scale }: { scale: Scale }) {
  const named = ticks(scale, 34);
  return (
    <div aria-hidden>
      {named.map((height, i) => {
        const end = scale.x(named[i + 1] ?? scale.domain.to);
        return (
          <div key={height}>
            <span
              className="absolute left-[16px] -translate-y-1/2 font-mono text-[11px] text-muted"
              style={{ top: scale.x(height) }}
            >
              {height}
            </span>
            <span
              className={`absolute left-[6px] w-[6px] border border-ink ${i % 2 === 0 ? 'bg-ink' : 'bg-sheet'}`}
              style={{ top: scale.x(height), height: Math.max(0, end - scale.x(height)) }}
            />
          </div>
        );
      })}
    </div>
  );
}

/** The height that the stage shows. Drag along the scale; arrows 1 px, Shift 10, Page Up and Down to the next breakpoint. */
function HeightCursor({ scale }: { scale: Scale }) {
  const height = useSession((session) => session.slice.height);
  const project = useSession(shownProject);
  const holds = useSession((session) => bandAt(shownProject(session), session.width, session.slice).name);
  const jump = (direction: 1 | -1) => {
    const next = nextHeight(project.breakpoints, height, direction);
    if (next === undefined) announce('No further breakpoint on the height.');
    else setSlice({ height: next });
  };
  const y = Math.min(scale.length, Math.max(0, scale.x(height)));
  return (
    <>
      <div
        role="slider"
        tabIndex={0}
        aria-orientation="vertical"
        aria-label="Viewport height on the axis"
        aria-valuemin={HEIGHT_MIN}
        aria-valuemax={HEIGHT_MAX}
        aria-valuenow={height}
        aria-valuetext={`${height} pixels high, ${holds}`}
        className="absolute inset-y-0 left-0 w-full cursor-ns-resize touch-none"
        onPointerDown={(event) => {
          const { top } = event.currentTarget.getBoundingClientRect();
          setSlice({ height: scale.width(event.clientY - top) });
          followPointer(event, ({ y: at }) => setSlice({ height: scale.width(at - top) }));
        }}
        onKeyDown={(event) => {
          if (event.ctrlKey || event.metaKey || event.altKey) return;
          const step = event.shiftKey ? 10 : 1;
          if (event.key === 'ArrowDown' || event.key === 'ArrowRight') setSlice({ height: height + step });
          else if (event.key === 'ArrowUp' || event.key === 'ArrowLeft') setSlice({ height: height - step });
          else if (event.key === 'PageDown') jump(1);
          else if (event.key === 'PageUp') jump(-1);
          else return;
          event.preventDefault();
          event.stopPropagation();
        }}
      />
      <div aria-hidden className="pointer-events-none absolute left-0 w-full" style={{ top: y }}>
        <div className="h-[2px] w-full -translate-y-1/2 bg-reed" />
        <span className="absolute right-0 -translate-y-1/2 bg-reed px-1.5 font-mono text-[12px] leading-4 font-bold text-on-reed">
          {height}
        </span>
      </div>
    </>
  );
}

/** The devices of the line-up whose width lies in the band that the stage shows, by their heights. */
function DeviceTicks({ scale }: { scale: Scale }) {
  const project = useSession(shownProject);
  const from = useSession(shownBandStart);
  const slice = useSession((session) => session.slice);
  const places = useLineup((lineup) => lineup.places);
  const { below } = bandAt(project, from, slice);
  const devices = useMemo(
    () =>
      standsOf({ devices: project.devices }, { places, reader: {} }).filter(
        ({ viewport }) => viewport.width >= from && viewport.width < below && viewport.height <= DOMAIN.to,
      ),
    [project.devices, places, from, below],
  );
  return (
    <>
      {devices.map(({ key, device, viewport }) => (
        <button
          key={key}
          type="button"
          tabIndex={-1}
          title={`${device.name}: ${viewport.width} by ${viewport.height}`}
          aria-label={`Height of ${device.name}, ${viewport.height}`}
          className="absolute left-[46px] max-w-[40px] -translate-y-1/2 truncate border-0 bg-transparent p-0 text-[10px] text-muted hover:text-ink"
          style={{ top: scale.x(viewport.height) }}
          onClick={() => setSlice({ height: viewport.height })}
        >
          ◂ {device.name}
        </button>
      ))}
    </>
  );
}

function HeightPost({ breakpoint, edge, scale }: { breakpoint: Breakpoint; edge: HeightEdge; scale: Scale }) {
  const y = scale.x(edge.at);
  if (y < -1 || y > scale.length + 1) return null;
  const words = describeCondition(breakpoint.condition);
  return (
    <>
      <div
        aria-hidden
        className="pointer-events-none absolute left-0 w-full border-t border-dashed border-ink"
        style={{ top: y }}
      />
      <button
        type="button"
        aria-label={`Height of breakpoint ${breakpoint.name}, ${words}`}
        title={`${breakpoint.name}: ${words}. Drag to move; edits go there after a press.`}
        data-height-post={breakpoint.id}
        data-side={edge.side}
        className="absolute right-0 h-[17px] max-w-[64px] -translate-y-1/2 cursor-ns-resize touch-none truncate rounded-[3px] border-0 bg-ink px-1.5 font-mono text-[11px] text-sheet"
        style={{ top: y }}
        onPointerDown={(event) => {
          event.stopPropagation();
          let last: Edit | undefined;
          followPointer(
            event,
            ({ dy }) => {
              const wanted = Math.round(scale.width(y + dy)) - (edge.side === 'heightBelow' ? 1 : 0);
              last = movingHeight(breakpoint, edge, wanted);
              preview(last);
              setSlice({ height: wanted });
            },
            () => {
              if (last) commitOrReport(last);
              else chooseTarget(breakpoint.id);
            },
          );
        }}
        onKeyDown={(event) => {
          const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
          if (by !== 0) commitOrReport(movingHeight(breakpoint, edge, shownHeight(edge) + by * (event.shiftKey ? 10 : 1)));
          else if (event.key === 'Enter' || event.key === ' ') chooseTarget(breakpoint.id);
          else if (event.key === 'Delete' || event.key === 'Backspace') removeBreakpoint(breakpoint.id);
          else return;
          event.preventDefault();
          event.stopPropagation();
        }}
      >
        {edge.side === 'heightBelow' ? '‹ ' : ''}
        {shownHeight(edge)}
        {edge.side === 'heightFrom' ? ' ›' : ''}
      </button>
    </>
  );
}
