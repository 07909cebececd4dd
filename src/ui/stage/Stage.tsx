'use client';

import { useCallback, useContext, useEffect, useMemo, useRef, useState } from 'react';
import { useShallow } from 'zustand/react/shallow';
import { cutsAcross } from '@/core/breakpoints';
import { conditionsOf } from '@/core/cascade';
import { loadFrameParts } from '../requests/requests';
import type { FrameParts } from '../requests/requests';
import { ViewportMarks } from '../marks/ViewportMarks';
import { useFrameMarks } from '../marks/use-frame-marks';
import { setWidth } from '../view/actions';
import { report } from '../editing/edits';
import { heldOnStage, shownPage, shownProject, useSession, WIDTH_MAX, WIDTH_MIN } from '../state/store';
import { followPointer } from '../input/follow-pointer';
import { KeyHandlingContext } from '../input/key-handling';
import { takeFrameMessage } from './frame-actions';
import { forgetAsked, setLink } from './frame-link';
import type { FrameLayout, FrameMessage } from '../preview/frame-message';
import { tellFrame } from '../preview/frame-port';
import { Overlay } from './Overlay';
import { PreviewFrame } from '../preview/PreviewFrame';
import { StageBar } from './StageBar';
import { useAsking } from './use-asking';
import { useSize } from './use-size';

const MARGIN = 36;
const NO_OTHERS: never[] = [];

/** The page on screen at the cursor's width, live. */
export function Stage() {
  const [bed, setBed] = useState<HTMLDivElement | null>(null);
  const [parts, setParts] = useState<FrameParts>();
  const [layout, setLayout] = useState<FrameLayout>();
  const size = useSize(bed);
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const width = useSession((session) => session.width);
  const selection = useSession((session) => session.selection);
  const hold = useSession(useShallow(heldOnStage));
  const openPanels = useSession((session) => session.slice.open);
  const use = useSession((session) => session.usePage);
  const zoomChoice = useSession((session) => session.zoom);
  const [held, setHeld] = useState<number>();
  const [ready, setReady] = useState(0);
  const fit = Math.min(1, Math.max(0.1, (size.width - 2 * MARGIN) / width));
  const zoom = held ?? (zoomChoice === 'fit' ? fit : zoomChoice);
  const slice = useSession((session) => session.slice);
  // Where a height decides, the frame has just that one; else it is as high as the stage has room.
  const heights = useSession((session) => session.heightsShown);
  const asked = useMemo(() => cutsAcross(conditionsOf(project)), [project]);
  const exact = asked || heights;
  const height = exact ? slice.height : Math.max(320, Math.round(size.height / zoom));
  const frame = useRef<HTMLIFrameElement | null>(null);

  useEffect(() => {
    loadFrameParts().then(setParts, (error: Error) => report(`The preview can't be shown: ${error.message}`));
  }, []);

  const keys = useContext(KeyHandlingContext);
  const post = useCallback((answer: Record<string, unknown>) => tellFrame(frame.current, answer), []);
  const onMessage = useCallback(
    (message: FrameMessage) => {
      if (message.type === 'layout') setLayout(message);
      if (message.type === 'ready') {
        forgetAsked();
        const { usedPlace } = useSession.getState();
        if (usedPlace !== undefined) post({ type: 'place', id: usedPlace });
        setReady((count) => count + 1);
      }
      takeFrameMessage(message, post, keys);
    },
    [keys, post],
  );
  useFrameMarks(frame, width, ready > 0);
  useAsking(ready);

  // The link stays while the zoom changes, and with it what has been asked and not yet answered.
  const zoomNow = useRef(zoom);
  useEffect(() => {
    zoomNow.current = zoom;
  });
  useEffect(() => {
    setLink({
      post: (message) => tellFrame(frame.current, message),
      place: () => {
        const box = frame.current?.getBoundingClientRect();
        return box && { left: box.left, top: box.top, zoom: zoomNow.current };
      },
    });
    return () => setLink(undefined);
  }, []);

  useEffect(() => {
    const reveal = (id: string) => tellFrame(frame.current, { type: 'reveal', id });
    if (selection.length === 1) reveal(selection[0]!);
  }, [selection]);

  const startDrag = (event: React.PointerEvent<HTMLButtonElement>) => {
    setHeld(zoom);
    // The frame stands in the middle, so its width grows on both sides of the pointer's way.
    followPointer(
      event,
      ({ dx }) => setWidth(width + (dx * 2) / zoom),
      () => setHeld(undefined),
    );
  };

  const shownWidth = width * zoom;
  return (
    <section aria-label="Stage" className="flex min-w-0 flex-1 flex-col bg-bed">
      <StageBar zoom={zoom} content={layout?.content} />
      <div
        ref={setBed}
        data-stage
        role="group"
        tabIndex={0}
        aria-label="Page on the stage: arrows nudge what is selected, Escape goes outwards"
        className="relative min-h-0 flex-1 overflow-auto -outline-offset-2"
      >
        <div
          className="relative mx-auto"
          style={{ width: Math.max(shownWidth, 0), minWidth: shownWidth, height: exact ? height * zoom : '100%' }}
        >
          <div className="absolute inset-0 overflow-clip border-x border-t border-line-strong bg-white">
            {parts && (
              <PreviewFrame
                key={`${project.id} ${page.id} ${use}`}
                project={project}
                page={page}
                parts={parts}
                standIn={{ pointer: slice.pointer }}
                selection={selection}
                hold={hold}
                open={openPanels}
                use={use}
                live
                label={`${page.name}, ${width} px wide${exact ? `, ${height} px high` : ''}`}
                style={{ width, height, transform: `scale(${zoom})` }}
                frame={frame}
                onMessage={onMessage}
              />
            )}
          </div>
          {!use && (
            <Overlay layout={layout} zoom={zoom} page={page}>
              <ViewportMarks
                viewport={{ ...slice, width }}
                content={width}
                zoom={zoom}
                scrollY={layout?.scrollY ?? 0}
                others={NO_OTHERS}
              />
            </Overlay>
          )}
          <button
            type="button"
            role="slider"
            aria-label="Frame width"
            aria-valuemin={WIDTH_MIN}
            aria-valuemax={WIDTH_MAX}
            aria-valuenow={width}
            aria-valuetext={`${width} pixels`}
            onPointerDown={startDrag}
            onKeyDown={(event) => {
              const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
              if (by === 0) return;
              event.preventDefault();
              event.stopPropagation();
              setWidth(width + by * (event.shiftKey ? 10 : 1));
            }}
            className="absolute top-1/2 -right-[14px] flex h-14 w-[9px] -translate-y-1/2 cursor-ew-resize touch-none items-center justify-center gap-[2px] rounded-[3px] border-0 bg-reed"
          >
            <span className="h-5 w-px bg-on-reed" />
            <span className="h-5 w-px bg-on-reed" />
          </button>
        </div>
      </div>
    </section>
  );
}
