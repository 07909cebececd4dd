'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import type { CSSProperties, RefObject } from 'react';
import type { Pointer } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import { patchBetween, renderPreview, restyledPreview } from '@/core/render';
import type { FrameParts } from '../session/api';
import { fontFrom, frameDocument } from './frame-document';
import type { FrameMessage } from './frame-message';
import { frameMessageSchema } from './frame-message';

interface Props {
  readonly project: Project;
  readonly page: Page;
  readonly parts: FrameParts;
  readonly pointer: Pointer;
  readonly selection: readonly string[];
  readonly label: string;
  readonly style: CSSProperties;
  readonly frame: RefObject<HTMLIFrameElement | null>;
  readonly onMessage: (message: FrameMessage) => void;
}

/**
 * One page in a sandboxed frame of its own origin. The document is put in once; from then on the frame is told only
 * what differs from what it shows.
 */
export function PreviewFrame({ project, page, parts, pointer, selection, label, style, frame, onMessage }: Props) {
  const [ready, setReady] = useState(false);
  const fontData = useMemo(() => fontFrom(parts), [parts]);
  // The first preview only: changes go in as patches, a new document would lose scroll and flicker.
  const [first] = useState(() => ({
    project,
    page,
    pointer,
    preview: renderPreview(project, page, fontData, pointer),
  }));
  const shown = useRef<typeof first | undefined>(undefined);
  const source = useMemo(() => frameDocument(first.preview, parts), [first, parts]);
  const handle = useRef(onMessage);
  useEffect(() => {
    handle.current = onMessage;
  });

  useEffect(() => {
    const listen = (event: MessageEvent) => {
      if (event.source !== frame.current?.contentWindow) return;
      const message = frameMessageSchema.safeParse(event.data);
      if (!message.success) return;
      if (message.data.type === 'ready') {
        shown.current = first;
        setReady(true);
      }
      handle.current(message.data);
    };
    addEventListener('message', listen);
    return () => removeEventListener('message', listen);
  }, [first, frame]);

  useEffect(() => {
    if (!ready || !shown.current) return;
    const quick = shown.current.pointer === pointer ? restyledPreview(shown.current, project, page) : undefined;
    const preview = quick?.preview ?? renderPreview(project, page, fontData, pointer);
    const patch = quick?.patch ?? patchBetween(shown.current.preview, preview);
    shown.current = { project, page, pointer, preview };
    if (patch.kind !== 'none') frame.current?.contentWindow?.postMessage({ ...patch, type: patch.kind }, '*');
  }, [ready, project, page, pointer, fontData, frame]);

  const locked = useMemo(
    () =>
      Object.values(page.elements)
        .flatMap((element) => (element.locked ? [element.id] : []))
        .join(' '),
    [page],
  );
  useEffect(() => {
    const ids = { ids: [...selection], locked: locked.split(' ') };
    if (ready) frame.current?.contentWindow?.postMessage({ type: 'select', ...ids }, '*');
  }, [ready, selection, locked, frame]);

  return (
    <iframe
      ref={frame}
      style={style}
      title={label}
      srcDoc={source}
      sandbox="allow-scripts"
      className="absolute top-0 left-0 origin-top-left border-0 bg-white"
    />
  );
}
