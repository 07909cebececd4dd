'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { cutsAcross } from '@/core/breakpoints';
import { conditionsOf } from '@/core/cascade';
import { loadFrameParts } from '../session/api';
import type { FrameParts } from '../session/api';
import { select, setWidth } from '../session/actions';
import { commitOrReport, report } from '../session/edits';
import { shownPage, shownProject, useSession, WIDTH_MAX, WIDTH_MIN } from '../session/store';
import { releaseKey, runKey } from '../commands/keys';
import { followPointer } from '../pointer/follow-pointer';
import { followPageDrag, pageScrolled } from './dragging';
import { latestLayout, noteLayout, setLink, surveyed } from './frame-link';
import type { FrameLayout, FrameMessage } from './frame-message';
import { Overlay } from './Overlay';
import { PreviewFrame } from './PreviewFrame';
import { StageBar } from './StageBar';
import { useSize } from './use-size';

const MARGIN = 36;

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
  const zoomChoice = useSession((session) => session.zoom);
  const [held, setHeld] = useState<number>();
  const fit = Math.min(1, Math.max(0.1, (size.width - 2 * MARGIN) / width));
  const zoom = held ?? (zoomChoice === 'fit' ? fit : zoomChoice);
  const slice = useSession((session) => session.slice);
  // Where a height decides, the frame has just that one; else it is as high as the stage has room.
  const exact = useMemo(() => cutsAcross(conditionsOf(project)), [project]);
  const height = exact ? slice.height : Math.max(320, Math.round(size.height / zoom));
  const frame = useRef<HTMLIFrameElement | null>(null);

  useEffect(() => {
    loadFrameParts().then(setParts, (error: Error) => report(`The preview can't be shown: ${error.message}`));
  }, []);

  const onMessage = useCallback((message: FrameMessage) => {
    if (message.type === 'layout') {
      const scrolled = message.scrollY !== latestLayout()?.scrollY;
      noteLayout(message);
      setLayout(message);
      if (scrolled) pageScrolled();
    } else if (message.type === 'hover') useSession.setState({ hovered: message.id ?? undefined });
    else if (message.type === 'select') select(message.id ? [message.id] : [], message.add);
    else if (message.type === 'key') {
      if (message.up) releaseKey(message.key);
      else runKey(message);
    } else if (message.type === 'drag') followPageDrag(message);
    else if (message.type === 'survey') surveyed(message.token, message.boxes);
    else if (message.type === 'outside')
      useSession.setState({ outside: { partly: new Set(message.partly), wholly: new Set(message.wholly) } });
    else if (message.type === 'writing')
      useSession.setState({
        foretold: message.id ? 'This text changes at all widths: Enter keeps it, Escape takes it back.' : '',
      });
    else if (message.type === 'text') {
      const instead = finishText(message);
      if (instead !== undefined)
        frame.current?.contentWindow?.postMessage({ type: 'text', id: message.id, text: instead }, '*');
    }
  }, []);

  useEffect(() => {
    setLink({
      post: (message) => frame.current?.contentWindow?.postMessage(message, '*'),
      place: () => {
        const box = frame.current?.getBoundingClientRect();
        return box && { left: box.left, top: box.top, zoom };
      },
    });
    return () => setLink(undefined);
  }, [zoom]);

  useEffect(() => {
    const reveal = (id: string) => frame.current?.contentWindow?.postMessage({ type: 'reveal', id }, '*');
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
          <div className="absolute inset-0 overflow-hidden border-x border-t border-line-strong bg-white">
            {parts && (
              <PreviewFrame
                key={`${project.id} ${page.id}`}
                project={project}
                page={page}
                parts={parts}
                standIn={{ pointer: slice.pointer }}
                selection={selection}
                label={`${page.name}, ${width} px wide${exact ? `, ${height} px high` : ''}`}
                style={{ width, height, transform: `scale(${zoom})` }}
                frame={frame}
                onMessage={onMessage}
              />
            )}
          </div>
          <Overlay layout={layout} zoom={zoom} page={page} />
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

/** Keeps a text that was changed in place. Returns the text to show instead, where it can't be kept. */
function finishText({ id, text, keep }: Extract<FrameMessage, { type: 'text' }>): string | undefined {
  const before = shownPage(useSession.getState()).elements[id];
  if (!before || !keep || text === (before.text ?? '')) return undefined;
  return commitOrReport({ type: 'setText', node: id, text }) ? undefined : (before.text ?? '');
}
