'use client';

import { useContext, memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useShallow } from 'zustand/react/shallow';
import type { Viewport } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import { cutInWords } from '@/core/lineup';
import { useFrameMarks, useWrongOn } from '../marks/use-frame-marks';
import type { FetchedAt } from '../pictures/use-fetched';
import { sumOf } from '../pictures/use-fetched';
import { ViewportMarks } from '../marks/ViewportMarks';
import type { FrameParts } from '../requests/requests';
import { heldOnStage, useSession, useLineup } from '../state/store';
import { KeyHandlingContext } from '../input/key-handling';
import { takeFrameMessage } from '../stage/frame-actions';
import { noteLayout, setLink } from '../stage/frame-link';
import type { FrameLayout, FrameMessage } from '../preview/frame-message';
import { Overlay } from '../stage/Overlay';
import { tellFrame } from '../preview/frame-port';
import { PreviewFrame } from '../preview/PreviewFrame';
import { DeviceCaption } from './DeviceCaption';
import type { Stands } from '../devices/line-up';
import { activate } from '../devices/line-up';
import { joinLinked, scrolledTo } from './linked';
import { SelectionBoxes } from './SelectionBoxes';
import { useNear } from './use-near';
import { useWholeHeight } from './use-whole-height';
import { ValueLine } from './ValueLine';

export const CAPTION = 40;
export const FOOT = 20;

interface Props {
  readonly stands: Stands;
  readonly project: Project;
  readonly page: Page;
  readonly parts: FrameParts;
  readonly zoom: number;
  readonly left: number;
  readonly top: number;
  readonly others: readonly Viewport[];
  /** What browsers fetch for the page's pictures, once that has been measured. */
  readonly fetchedAt: FetchedAt | undefined;
  readonly scroller: HTMLElement | null;
  readonly onHeight: (key: number, height: number) => void;
}

/** The page on one device, live. Out of sight it costs nothing: it is told nothing until it comes into view again. */
export const DeviceFrame = memo(function DeviceFrame({ left, top, ...rest }: Props) {
  const { key, device, viewport } = rest.stands;
  const box = useRef<HTMLElement | null>(null);
  const { near, met } = useNear(box, rest.scroller);
  const active = useLineup((lineup) => lineup.active === key);
  return (
    <article
      ref={box}
      data-place={key}
      aria-label={`${device.name}, ${viewport.width} by ${viewport.height} pixels`}
      aria-current={active || undefined}
      className={`absolute isolate ${active ? 'z-10' : ''}`}
      style={{ left, top, width: viewport.width * rest.zoom }}
    >
      <Device {...rest} near={near} met={met} active={active} />
    </article>
  );
});

interface DeviceProps extends Omit<Props, 'left' | 'top' | 'scroller'> {
  readonly near: boolean;
  readonly met: boolean;
  readonly active: boolean;
}

/** Everything of a device but its place, which changes more often while others grow. */
const Device = memo(function Device(props: DeviceProps) {
  const { stands, project, page, parts, zoom, others, fetchedAt, onHeight, near, met, active } = props;
  const { key, device, viewport } = stands;
  const frame = useRef<HTMLIFrameElement | null>(null);
  const [layout, setLayout] = useState<FrameLayout>();
  const [ready, setReady] = useState(0);
  const linked = useLineup((lineup) => lineup.linked && !lineup.whole);
  const whole = useLineup((lineup) => lineup.whole);
  const selection = useSession((session) => session.selection);
  const openPanels = useSession((session) => session.slice.open);
  const use = useSession((session) => session.usePage);
  const own = useLineup((lineup) => lineup.holds[key]);
  const shared = useSession(useShallow(heldOnStage));
  const wrong = useWrongOn(viewport);
  const wholeHeight = useWholeHeight(whole, viewport, layout, project);
  const height = whole ? wholeHeight.height : viewport.height;
  const post = useCallback((message: Record<string, unknown>) => {
    tellFrame(frame.current, message);
  }, []);

  useEffect(() => onHeight(key, height), [key, height, onHeight]);
  useEffect(() => {
    if (ready > 0) post({ type: 'whole', height: whole ? viewport.height : null });
  }, [ready, whole, viewport.height, post]);
  useEffect(() => {
    if (!linked || !near || ready === 0) return undefined;
    return joinLinked(key, post);
  }, [linked, near, ready, key, post]);
  useFrameMarks(frame, viewport.width, ready > 0 && near);

  // The link stays while the zoom changes, and with it what has been asked and not yet answered.
  const zoomNow = useRef(zoom);
  useEffect(() => {
    zoomNow.current = zoom;
  });
  useEffect(() => {
    if (!active) return undefined;
    setLink({
      post,
      place: () => {
        const rect = frame.current?.getBoundingClientRect();
        return rect && { left: rect.left, top: rect.top, zoom: zoomNow.current };
      },
    });
    return () => setLink(undefined);
  }, [active, post]);
  useEffect(() => {
    if (active && layout) noteLayout(layout);
  }, [active, layout]);
  useEffect(() => {
    if (selection.length === 1 && near && (active || !linked)) post({ type: 'reveal', id: selection[0] });
  }, [selection, near, active, linked, post]);

  const keys = useContext(KeyHandlingContext);
  const onMessage = useCallback(
    (message: FrameMessage) => {
      const isActive = () => useLineup.getState().active === key;
      if (message.type === 'layout') setLayout((before) => (before && saysNothingNew(before, message) ? before : message));
      if (message.type === 'ready') setReady((count) => count + 1);
      if (message.type === 'anchor') return scrolledTo(key, message.anchors);
      if (message.type === 'select' || message.type === 'writing') activate(key);
      // Only the device in hand says where things stand for handles, drags and the outline.
      if ((message.type === 'layout' || message.type === 'outside') && !isActive()) return undefined;
      return takeFrameMessage(message, post, keys);
    },
    [key, post, keys],
  );

  const fetched = useMemo(
    () => fetchedAt && sumOf(fetchedAt(viewport.width, device.density, viewport), 'bytes'),
    [fetchedAt, viewport, device.density],
  );
  // What a scrollbar takes stays while the width changes.
  const content = viewport.width - (layout ? layout.viewport - layout.content : 0);
  const marks = (
    <ViewportMarks viewport={viewport} content={content} zoom={zoom} scrollY={layout?.scrollY ?? 0} others={others} />
  );
  return (
    <>
      <DeviceCaption stands={stands} content={content} findings={wrong} active={active} page={page} fetched={fetched} />
      <div
        className={`relative overflow-clip bg-white outline outline-1 ${active ? 'outline-2 outline-reed' : 'outline-line-strong'}`}
        style={{ height: height * zoom }}
        data-suspended={!near}
      >
        {met && (
          <PreviewFrame
            key={`${project.id} ${page.id} ${device.scrollbar} ${use}`}
            project={project}
            page={page}
            parts={parts}
            standIn={{ ...viewport, height: whole ? viewport.height : undefined }}
            scrollbar={device.scrollbar}
            suspended={!near}
            selection={selection}
            hold={own ?? shared}
            open={openPanels}
            use={use}
            leads={active}
            label={`${page.name} on ${device.name}, ${viewport.width} px wide`}
            style={{ width: viewport.width, height, transform: `scale(${zoom})` }}
            frame={frame}
            onMessage={onMessage}
          />
        )}
        {near && active && !use && (
          <Overlay layout={layout} zoom={zoom} page={page}>
            {marks}
          </Overlay>
        )}
        {near && !active && (
          <div className="part pointer-events-none absolute inset-0 overflow-hidden">
            {marks}
            <SelectionBoxes layout={layout} zoom={zoom} page={page} />
          </div>
        )}
        {whole && wholeHeight.cut && (
          <p role="alert" className="absolute inset-x-0 bottom-0 m-0 bg-rust-tint px-2 py-1 text-xs text-rust">
            {cutInWords(wholeHeight.cut)}
          </p>
        )}
      </div>
      <ValueLine project={project} page={page} viewport={viewport} layout={layout} hold={own} />
    </>
  );
});

/** Whether a report changes nothing that stands around or over the frame. */
function saysNothingNew(before: FrameLayout, now: FrameLayout): boolean {
  return (
    before.viewport - before.content === now.viewport - now.content &&
    before.height === now.height &&
    before.scrollY === now.scrollY &&
    before.naturalHeight === now.naturalHeight &&
    JSON.stringify([before.rects, before.measured]) === JSON.stringify([now.rects, now.measured])
  );
}
