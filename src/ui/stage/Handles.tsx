'use client';

import { useRef, useState } from 'react';
import { edgesOfColumns, gridAt, layColumns } from '@/core/grid';
import { heldIn, lookOf } from '@/core/cascade';
import { readPseudo } from '@/core/document';
import { describeTarget } from '@/core/edits';
import type { Edit } from '@/core/edits';
import { byFinger } from '../input/finger';
import { followPointer } from '../input/follow-pointer';
import { commit, commitOrReport, preview, report } from '../editing/edits';
import { shownPage, shownPseudo, useSession, writeTarget } from '../state/store';
import type { FrameLayout, Measured } from '../preview/frame-message';
import type { Grip, Modifiers, Pull } from './handles';
import { gripsOf, pull, snapTo } from './handles';

interface Props {
  readonly layout: FrameLayout;
  readonly measured: Measured;
  readonly zoom: number;
}

/** Screens px within which an edge is drawn to a line. */
const REACH = 5;
/** Told apart by place and shape: bars inside are padding, rings outside are margin, what is on the edge is the size. */
const SHAPES: Readonly<Record<string, string>> = {
  'size x': 'h-6 w-[7px] cursor-ew-resize rounded-[2px] border border-reed bg-sheet',
  'size y': 'h-[7px] w-6 cursor-ns-resize rounded-[2px] border border-reed bg-sheet',
  'size both': 'size-[9px] cursor-nwse-resize rounded-[2px] border border-reed bg-reed',
  'padding x': 'h-4 w-[4px] cursor-ew-resize rounded-[2px] border border-sheet bg-reed',
  'padding y': 'h-[4px] w-4 cursor-ns-resize rounded-[2px] border border-sheet bg-reed',
  'margin x': 'size-[9px] cursor-ew-resize rounded-full border-2 border-reed bg-sheet',
  'margin y': 'size-[9px] cursor-ns-resize rounded-full border-2 border-reed bg-sheet',
  'gap x': 'h-5 w-[5px] cursor-ew-resize border-x border-ink bg-sheet',
  'gap y': 'h-[5px] w-5 cursor-ns-resize border-y border-ink bg-sheet',
};
/** An element smaller on the screen, px, is left in sight: the grips inside of it wait for the key that shows distances. */
const ROOM_LEAST = { across: 64, down: 48 } as const;
/** Fingers need room to reach what is inside of it. */
const FINGER_ROOM = 2;

const editOf = (owner: string, at: string, values: readonly (readonly [string, string])[]): Edit => ({
  type: 'restyle',
  label: `Drag ${values.map(([property]) => property).join(', ')}`.slice(0, 300),
  changes: values.map(([property, value]) => ({ owner, at, property, value })),
});

/** Grips on the one selected element: its size, padding, margin and gaps, written where edits go. */
export function Handles({ layout, measured, zoom }: Props) {
  const [said, setSaid] = useState<{
    words: string;
    x: number;
    y: number;
    line?: number | undefined;
    down?: number | undefined;
  }>();
  const rect = layout.rects[measured.id];
  const busy = useRef(false);
  const asked = useSession((session) => session.distancesShown);
  const ofBox = useSession((session) => readPseudo(shownPseudo(session)).box !== undefined);
  if (!rect || ofBox) return null;

  const linesFor = (from: Pull): { x: number[]; y: number[] } => {
    const page = shownPage(useSession.getState());
    const chosen = gridAt(from.project, page, { ...from.slice, width: from.width });
    const columns = chosen ? edgesOfColumns(layColumns(chosen.grid, from.width)) : [];
    const near = [...measured.siblings, ...(measured.parent ? [measured.parent] : [])];
    return {
      x: [...columns.flatMap(({ left, right }) => [left, right]), ...near.flatMap(([left, , width]) => [left, left + width])],
      y: near.flatMap(([, top, , height]) => [top, top + height]),
    };
  };

  const work = (grip: Grip, from: Pull, dx: number, dy: number, event: { shift: boolean; alt: boolean; ctrl: boolean }) => {
    const at = writeTarget(useSession.getState());
    const modifiers: Modifiers = { both: event.shift, all: event.alt };
    const lines = event.ctrl ? { x: [], y: [] } : linesFor(from);
    const [left, top, width, height] = from.rect;
    let [x, y] = [dx, dy];
    let found: { line?: number | undefined; down?: number | undefined } = {};
    if (grip.handle.kind === 'size') {
      const snapX = grip.along === 'y' ? undefined : snapTo(left + width + dx, lines.x, REACH / zoom);
      const snapY = grip.along === 'x' ? undefined : snapTo(top + height + dy, lines.y, REACH / zoom);
      if (snapX) x = snapX.at - left - width;
      if (snapY) y = snapY.at - top - height;
      found = { line: snapX?.line, down: snapY?.line };
    }
    const values = pull(from, grip.handle, x, y, modifiers);
    const words = `${values.map(([property, value]) => `${property} ${value}`).join(' · ')} → ${describeTarget(from.project, at)}`;
    // Beside the pointer, wherever it has gone.
    setSaid({ words, x: grip.x + dx, y: grip.y + dy, ...found });
    return editOf(measured.id + shownPseudo(useSession.getState()), at, values);
  };

  const begin = (): Pull => {
    const session = useSession.getState();
    const look = lookOf(session.project, shownPage(session), measured.id, shownPseudo(session));
    const { project, page } = look;
    return { project, page, slice: heldIn(look, session.slice), width: session.width, rect, measured };
  };
  const start = (event: React.PointerEvent<HTMLElement>, grip: Grip) => {
    const from = begin();
    let edit: Edit | undefined;
    busy.current = true;
    followPointer(
      event,
      ({ dx, dy, shift, alt, ctrl }) => {
        edit = work(grip, from, dx / zoom, dy / zoom, { shift, alt, ctrl });
        preview(edit);
      },
      (wasDrag) => {
        busy.current = false;
        setSaid(undefined);
        if (wasDrag && edit) commitOrReport(edit);
        else preview(undefined);
      },
      () => {
        busy.current = false;
        setSaid(undefined);
        preview(undefined);
      },
    );
  };
  const step = (event: React.KeyboardEvent, grip: Grip) => {
    const by = event.shiftKey ? 10 : 1;
    const dx = { ArrowRight: by, ArrowLeft: -by }[event.key] ?? 0;
    const dy = { ArrowDown: by, ArrowUp: -by }[event.key] ?? 0;
    if (dx === 0 && dy === 0) return;
    event.preventDefault();
    event.stopPropagation();
    const wrong = commit(
      work(grip, begin(), dx, dy, { shift: false, alt: event.altKey, ctrl: true }),
      `step ${grip.label} ${measured.id}`,
    );
    if (wrong) report(wrong);
  };

  const more = byFinger() ? FINGER_ROOM : 1;
  const roomy = asked || (rect[2] * zoom >= ROOM_LEAST.across * more && rect[3] * zoom >= ROOM_LEAST.down * more);
  const grips = gripsOf(rect, measured, zoom).filter(({ handle }) => handle.kind !== 'padding' || roomy);
  return (
    <>
      {grips.map((grip) => (
        <button
          key={grip.label}
          type="button"
          data-handle={grip.label}
          tabIndex={-1}
          aria-label={`${grip.label}: drag, or step with the arrows`}
          title={grip.label}
          className={`pointer-events-auto absolute -translate-x-1/2 -translate-y-1/2 touch-none p-0 ${SHAPES[`${grip.handle.kind} ${grip.along}`]}`}
          style={{ left: Math.min(grip.x, layout.viewport - 4 / zoom) * zoom, top: grip.y * zoom }}
          onPointerDown={(event) => start(event, grip)}
          onKeyDown={(event) => step(event, grip)}
          onBlur={() => !busy.current && setSaid(undefined)}
        />
      ))}
      {said?.line !== undefined && (
        <div className="pointer-events-none absolute inset-y-0 w-px bg-amber-ink" style={{ left: said.line * zoom }} />
      )}
      {said?.down !== undefined && (
        <div className="pointer-events-none absolute inset-x-0 h-px bg-amber-ink" style={{ top: said.down * zoom }} />
      )}
      {said && (
        <span
          role="status"
          data-testid="handle-words"
          className="pointer-events-none absolute z-10 max-w-80 rounded-[4px] border border-amber-ink bg-amber-tint px-2 py-0.5 font-mono text-xs"
          style={{ left: Math.max(0, said.x * zoom + 12), top: said.y * zoom + 12 }}
        >
          {said.words}
        </span>
      )}
    </>
  );
}
