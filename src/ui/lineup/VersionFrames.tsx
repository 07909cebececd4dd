'use client';

import { useEffect, useRef, useState } from 'react';
import { useShallow } from 'zustand/react/shallow';
import type { Page, Project } from '@/core/document';
import { pageOf } from '@/core/document';
import { fitZoom, packFrames } from '@/core/lineup';
import type { FrameParts } from '../requests/requests';
import { loadFrameParts } from '../requests/requests';
import { report } from '../editing/edits';
import { heldOnStage, shownPage, shownProject, useSession, useLineup } from '../state/store';
import { tellFrame } from '../preview/frame-port';
import { PreviewFrame } from '../preview/PreviewFrame';
import { useSize } from '../stage/use-size';
import { DeviceCaption } from './DeviceCaption';
import { CAPTION } from './DeviceFrame';
import type { Stands } from '../devices/line-up';
import { joinLinked, scrolledTo } from './linked';
import { useNear } from './use-near';
import { useStands } from './use-stands';

export const MODES = ['flicker', 'overlay', 'before', 'now'] as const;
export type Mode = (typeof MODES)[number];

const GAP = 20;
const MARGIN = 16;
/** Ms that each version shows while they flicker; slow enough never to flash (WCAG 2.2, 2.3.1). */
const FLICKER = 700;

/** Both versions of the page on each device, one over the other. */
export function VersionFrames({ earlier, mode }: { readonly earlier: Project; readonly mode: Mode }) {
  const [bed, setBed] = useState<HTMLDivElement | null>(null);
  const [parts, setParts] = useState<FrameParts>();
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const { stands } = useStands();
  const choice = useLineup((lineup) => lineup.zoom);
  const size = useSize(bed);
  const was = pageOf(earlier, page.id);
  const [first, setFirst] = useState(false);
  useEffect(() => {
    loadFrameParts().then(setParts, (error: Error) => report(`The previews can't be shown: ${error.message}`));
  }, []);
  useEffect(() => {
    if (mode !== 'flicker') return undefined;
    const timer = setInterval(() => setFirst((before) => !before), FLICKER);
    return () => clearInterval(timer);
  }, [mode]);

  const frames = stands.map(({ viewport }) => viewport);
  const room = { width: Math.max(0, size.width - 2 * MARGIN), height: Math.max(0, size.height - 2 * MARGIN) };
  const zoom = choice === 'fit' ? fitZoom(frames, room, GAP, CAPTION) : choice;
  useEffect(() => useSession.setState({ zoomShown: zoom }), [zoom]);
  const packed = packFrames(
    frames.map(({ width, height }) => ({ width: width * zoom, height: height * zoom + CAPTION })),
    room.width,
    GAP,
  );
  if (!was) return <p className="p-6">This page was not there yet.</p>;
  const shownBefore = mode === 'before' || (mode === 'flicker' && first);
  return (
    <div ref={setBed} className="relative min-h-0 flex-1 overflow-auto" tabIndex={0} role="group" aria-label="Before and now">
      {mode === 'flicker' && (
        <p className="sr-only" role="status">
          Before and now take turns.
        </p>
      )}
      <div className="relative" style={{ margin: MARGIN, width: packed.width, height: packed.height }}>
        {parts &&
          bed &&
          stands.map((one, i) => (
            <VersionFrame
              key={one.key}
              stands={one}
              place={packed.places[i]!}
              zoom={zoom}
              parts={parts}
              scroller={bed}
              versions={[
                { project: earlier, page: was, opacity: mode === 'overlay' || shownBefore ? 1 : 0, blend: false },
                { project, page, opacity: mode === 'overlay' ? 1 : shownBefore ? 0 : 1, blend: mode === 'overlay' },
              ]}
              label={mode === 'overlay' ? 'what differs is bright' : shownBefore ? 'before' : 'now'}
            />
          ))}
      </div>
    </div>
  );
}

interface Version {
  readonly project: Project;
  readonly page: Page;
  readonly opacity: number;
  readonly blend: boolean;
}

interface FrameProps {
  readonly stands: Stands;
  readonly place: { readonly left: number; readonly top: number };
  readonly zoom: number;
  readonly parts: FrameParts;
  readonly scroller: HTMLElement;
  readonly versions: readonly Version[];
  readonly label: string;
}

function VersionFrame({ stands, place, zoom, parts, scroller, versions, label }: FrameProps) {
  const { key, device, viewport } = stands;
  const box = useRef<HTMLElement | null>(null);
  const { near, met } = useNear(box, scroller);
  return (
    <article
      ref={box}
      aria-label={`${device.name}: ${label}`}
      className="absolute"
      style={{ left: place.left, top: place.top, width: viewport.width * zoom }}
    >
      <DeviceCaption stands={stands} content={viewport.width} findings={0} active={false} />
      <div
        className="relative isolate overflow-clip bg-white outline outline-1 outline-line-strong"
        style={{ height: viewport.height * zoom }}
      >
        {met &&
          versions.map((version, i) => (
            <OneVersion key={i} id={key * 2 + i} version={version} stands={stands} zoom={zoom} parts={parts} near={near} />
          ))}
      </div>
    </article>
  );
}

interface OneProps {
  readonly id: number;
  readonly version: Version;
  readonly stands: Stands;
  readonly zoom: number;
  readonly parts: FrameParts;
  readonly near: boolean;
}

const NOTHING: readonly string[] = [];

function OneVersion({ id, version, stands, zoom, parts, near }: OneProps) {
  const hold = useSession(useShallow(heldOnStage));
  const frame = useRef<HTMLIFrameElement | null>(null);
  const [ready, setReady] = useState(false);
  const { viewport, device } = stands;
  useEffect(() => {
    if (!ready || !near) return undefined;
    return joinLinked(-1 - id, (message) => tellFrame(frame.current, message));
  }, [ready, near, id]);
  return (
    <div
      className="absolute inset-0"
      aria-hidden={version.opacity === 0}
      style={{
        opacity: version.opacity,
        pointerEvents: version.opacity === 0 ? 'none' : 'auto',
        mixBlendMode: version.blend ? 'difference' : 'normal',
      }}
    >
      <PreviewFrame
        project={version.project}
        page={version.page}
        parts={parts}
        standIn={{ ...viewport, height: undefined }}
        scrollbar={device.scrollbar}
        suspended={!near}
        selection={NOTHING}
        hold={hold}
        leads={false}
        label={`${version.page.name} on ${device.name}`}
        style={{ width: viewport.width, height: viewport.height, transform: `scale(${zoom})` }}
        frame={frame}
        onMessage={(message) => {
          if (message.type === 'ready') setReady(true);
          if (message.type === 'anchor') scrolledTo(-1 - id, message.anchors);
        }}
      />
    </div>
  );
}
