'use client';

import { useContext, memo, useCallback, useEffect, useRef, useState } from 'react';
import { useShallow } from 'zustand/react/shallow';
import type { Viewport } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import type { PageBox } from '@/core/lineup';
import { select } from '../view/actions';
import type { FrameParts } from '../requests/requests';
import { heldOnStage, useSession } from '../state/store';
import type { FrameLayout, FrameMessage } from '../preview/frame-message';
import { tellFrame } from '../preview/frame-port';
import { PreviewFrame } from '../preview/PreviewFrame';
import { KeyHandlingContext } from '../input/key-handling';
import { joinLinked, scrolledTo } from './linked';
import { SelectionBoxes } from './SelectionBoxes';

interface Props {
  readonly project: Project;
  readonly page: Page;
  readonly parts: FrameParts;
  readonly viewport: Viewport;
  readonly zoom: number;
  readonly onBoxes: (width: number, boxes: ReadonlyMap<string, PageBox>) => void;
}

/** One side of a crossing: the page at a width, which says where everything stands. */
export const CrossingFrame = memo(function CrossingFrame({ project, page, parts, viewport, zoom, onBoxes }: Props) {
  const frame = useRef<HTMLIFrameElement | null>(null);
  const [layout, setLayout] = useState<FrameLayout>();
  const [ready, setReady] = useState(0);
  const hold = useSession(useShallow(heldOnStage));
  const selection = useSession((session) => session.selection);
  const { width, height } = viewport;
  const post = useCallback((message: Record<string, unknown>) => tellFrame(frame.current, message), []);
  useEffect(() => (ready > 0 ? joinLinked(-width, post) : undefined), [ready, width, post]);
  // The question stands behind the patches in the frame's queue, so the answer is about what they made.
  useEffect(() => {
    if (ready === 0) return undefined;
    const timer = setTimeout(() => post({ type: 'survey', token: width }), 60);
    return () => clearTimeout(timer);
  }, [ready, project, page, width, height, post]);
  useEffect(() => {
    if (ready > 0 && selection.length === 1) post({ type: 'reveal', id: selection[0] });
  }, [ready, selection, post]);

  const keys = useContext(KeyHandlingContext);
  const onMessage = useCallback(
    (message: FrameMessage) => {
      if (message.type === 'ready') setReady((count) => count + 1);
      else if (message.type === 'layout') setLayout(message);
      else if (message.type === 'anchor') scrolledTo(-width, message.anchors);
      else if (message.type === 'select') select(message.id ? [message.id] : [], message.add);
      else if (message.type === 'key' && !message.up) keys.run(message);
      else if (message.type === 'survey' && message.token === width)
        onBoxes(
          width,
          new Map(
            message.boxes.map(({ id, rect }): [string, PageBox] => [
              id,
              [rect[0] + message.scrollX, rect[1] + message.scrollY, rect[2], rect[3]],
            ]),
          ),
        );
    },
    [width, onBoxes, keys],
  );
  return (
    <article aria-label={`${page.name} at ${width} pixels`} className="shrink-0" style={{ width: width * zoom }}>
      <p className="m-0 h-5 font-mono text-[11px] text-muted">
        {width} × {height}
      </p>
      <div className="relative overflow-clip bg-white outline outline-1 outline-line-strong" style={{ height: height * zoom }}>
        <PreviewFrame
          key={`${project.id} ${page.id}`}
          project={project}
          page={page}
          parts={parts}
          standIn={{ ...viewport, height: undefined }}
          selection={selection}
          hold={hold}
          leads={false}
          label={`${page.name}, ${width} px wide`}
          style={{ width, height, transform: `scale(${zoom})` }}
          frame={frame}
          onMessage={onMessage}
        />
        <div className="pointer-events-none absolute inset-0 overflow-hidden">
          <SelectionBoxes layout={layout} zoom={zoom} page={page} />
        </div>
      </div>
    </article>
  );
});
