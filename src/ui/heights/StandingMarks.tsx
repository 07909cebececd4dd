'use client';

import { useSyncExternalStore } from 'react';
import { specifiedValue } from '@/core/cascade';
import { announce, report } from '../editing/edits';
import type { Scale } from '../gauge/scale';
import { followPointer } from '../input/follow-pointer';
import { followLayout, latestLayout } from '../stage/frame-link';
import { shownPage, shownProject, useSession, writeTarget } from '../state/store';
import { writeValue } from '../view/actions';
import { heightFor } from './heights';

/** From where to where something stands on the page, px from its top; undefined where it isn't shown. */
function useStanding(id: string | undefined): readonly [top: number, bottom: number] | undefined {
  const layout = useSyncExternalStore(followLayout, latestLayout, () => undefined);
  const rect = id === undefined ? undefined : layout?.rects[id];
  return rect ? [rect[1] + layout!.scrollY, rect[1] + rect[3] + layout!.scrollY] : undefined;
}

/** What must be seen first, by how high a screen has to be for it. */
export function FirstMarks({ scale }: { scale: Scale }) {
  const page = useSession(shownPage);
  const first = Object.values(page.elements).filter((one) => one.first);
  return (
    <>
      {first.map(({ id, name }) => (
        <FirstMark key={id} id={id} name={name} scale={scale} />
      ))}
    </>
  );
}

function FirstMark({ id, name, scale }: { id: string; name: string; scale: Scale }) {
  const height = useSession((session) => session.slice.height);
  const standing = useStanding(id);
  if (!standing) return null;
  const bottom = Math.ceil(standing[1]);
  const isSeen = bottom <= height;
  const y = Math.min(scale.length, Math.max(0, scale.x(bottom)));
  return (
    <span
      role="img"
      aria-label={`${name} must be seen first; it is from ${bottom} px of height on`}
      title={`${name} must be seen first: it is on screens from ${bottom} px high`}
      data-first-mark={id}
      className={`absolute left-[14px] z-10 max-w-[70px] -translate-y-full truncate border-b-2 bg-sheet px-1 text-[10px] leading-3 ${isSeen ? 'border-reed text-reed' : 'border-rust text-rust'}`}
      style={{ top: y }}
    >
      {name}
    </span>
  );
}

/** What is selected, from its top to its bottom; dragged, it is at least so high. */
export function SelectedSpan({ scale }: { scale: Scale }) {
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const id = useSession((session) => (session.selection.length === 1 ? session.selection[0] : undefined));
  const width = useSession((session) => session.width);
  const slice = useSession((session) => session.slice);
  const at = useSession((session) => writeTarget(session));
  const standing = useStanding(id);
  const element = id === undefined ? undefined : page.elements[id];
  if (!element || !standing || element.id === page.root) return null;
  const [top, bottom] = standing;
  const least = specifiedValue(project, page, element.id, 'min-height', { ...slice, width });
  const inScreens = /^[\d.]+[sdl]?vh$/.test(least);
  const write = (height: number, gesture: string) => {
    const wrong = writeValue('min-height', heightFor(height, inScreens ? slice.height : undefined), at, gesture);
    if (wrong) report(wrong);
  };
  const [from, to] = [top, bottom].map((one) => Math.min(scale.length, Math.max(0, scale.x(Math.max(1, one))))) as [
    number,
    number,
  ];
  return (
    <>
      <div
        aria-hidden
        className="pointer-events-none absolute left-[2px] w-[3px] bg-amber-ink"
        style={{ top: from, height: Math.max(2, to - from) }}
      />
      <button
        type="button"
        data-height-grip
        aria-label={`${element.name} ends at ${Math.round(bottom)} px; arrows make it at least higher or lower`}
        title={`${element.name}: ${Math.round(top)} to ${Math.round(bottom)} px. Drag for its least height${inScreens ? ', as a share of the screen' : ''}.`}
        className="absolute left-0 z-10 h-[9px] w-[22px] -translate-y-1/2 cursor-ns-resize touch-none rounded-[2px] border border-ink bg-amber-tint p-0"
        style={{ top: to }}
        onPointerDown={(event) => {
          event.stopPropagation();
          const gesture = `height ${element.id} ${Date.now()}`;
          followPointer(event, ({ dy }) => write(scale.width(to + dy) - top, gesture));
        }}
        onKeyDown={(event) => {
          const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
          if (by === 0) return;
          event.preventDefault();
          event.stopPropagation();
          const step = inScreens ? slice.height / 100 : 1;
          write(bottom - top + by * step * (event.shiftKey ? 10 : 1), `height ${element.id}`);
          announce(`${element.name} is at least as high.`);
        }}
      />
    </>
  );
}
