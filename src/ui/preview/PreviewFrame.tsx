'use client';

import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { CSSProperties, RefObject } from 'react';
import type { Look } from '@/core/cascade';
import { shownIn } from '@/core/cascade';
import type { Scrollbar } from '@/core/devices';
import type { Page, Project } from '@/core/document';
import { carried, pageOf } from '@/core/document';
import type { StandIn } from '@/core/render';
import { heldMarks, standInKey, whatMatters } from '@/core/render';
import type { FrameParts } from '../requests/requests';
import type { Hold } from '../state/lineup-slice';
import { shownProject, useSession } from '../state/store';
import { fontFrom, frameDocument } from './frame-document';
import { sayFinger } from '../input/finger';
import type { FrameMessage } from './frame-message';
import { frameMessageSchema } from './frame-message';
import { openPort, tellFrame } from './frame-port';
import type { Shown } from './previews';
import { nextPreview, previewOf, shows } from './previews';

interface Props {
  readonly project: Project;
  readonly page: Page;
  readonly parts: FrameParts;
  readonly standIn: StandIn;
  readonly scrollbar?: Scrollbar;
  /** A suspended frame is told nothing until it is wanted again; then all at once. */
  readonly suspended?: boolean;
  readonly selection: readonly string[];
  /** An element of the page that is held in a state. */
  readonly hold?: Hold | undefined;
  /** The panels that are shown open. */
  readonly open?: readonly string[] | undefined;
  /** Whether the page works as it does for visitors. A frame is for one or the other for as long as it stands. */
  readonly use?: boolean;
  /** Shows the project that is being edited, as it is edited. */
  readonly live?: boolean;
  /** Whether handles, drags and the outline go by this frame. */
  readonly leads?: boolean;
  readonly label: string;
  readonly style: CSSProperties;
  readonly frame: RefObject<HTMLIFrameElement | null>;
  readonly onMessage: (message: FrameMessage) => void;
}

const NONE_OPEN: readonly string[] = [];

const lockedAmong = carried(
  (elements) => {
    const ids: string[] = [];
    for (const id in elements) if (elements[id]!.locked) ids.push(id);
    return ids;
  },
  (before, after) => before?.locked !== after?.locked,
);

/** The page as it is while an element of it is held in a state; as it is where there is none. */
const heldPage = (project: Project, page: Page, hold: Hold | undefined): Omit<Look, 'node'> =>
  hold && hold.element in page.elements ? shownIn(project, page, hold.element, hold.state) : { project, page };

/** A document that is in quirks mode can't stand in an attribute, where it would be in none: it gets an address of its own. */
function useDocument(source: string): { readonly srcDoc: string } | { readonly src: string | undefined } {
  const [address, setAddress] = useState<string>();
  const plain = /^<!doctype html>/i.test(source);
  useEffect(() => {
    if (plain) return undefined;
    const made = URL.createObjectURL(new Blob([source], { type: 'text/html;charset=utf-8' }));
    setAddress(made);
    return () => URL.revokeObjectURL(made);
  }, [plain, source]);
  return plain ? { srcDoc: source } : { src: address };
}

/**
 * One page in a sandboxed frame of its own origin. The document is put in once; from then on the frame is told only
 * what differs from what it shows.
 */
export function PreviewFrame(props: Props) {
  const {
    project,
    page,
    parts,
    scrollbar = 'overlay',
    suspended = false,
    live = false,
    open = NONE_OPEN,
    use = false,
    leads = true,
    selection,
    hold,
    label,
    style,
    frame,
  } = props;
  /** How often the frame has begun: more than once where the browser loads it anew, and it then shows the first preview again. */
  const [ready, setReady] = useState(0);
  const fontData = useMemo(() => fontFrom(parts), [parts]);
  // The key says all of it, so the same reader is the same object.
  const matters = whatMatters(project, props.standIn);
  const key = standInKey(matters);
  const [reader, setReader] = useState({ key, standIn: matters });
  if (reader.key !== key) setReader({ key, standIn: matters });
  const standIn = reader.key === key ? reader.standIn : matters;
  // The first preview only: changes go in as patches, a new document would lose scroll and flicker.
  const [first] = useState(() => {
    const look = heldPage(project, page, hold);
    return previewOf(look.project, look.page, standIn, fontData);
  });
  const shown = useRef<Shown | undefined>(undefined);
  /** The elements that the frame was told to hold. */
  const marked = useRef('');
  const source = useMemo(() => frameDocument(first.preview, parts, scrollbar, use), [first, parts, scrollbar, use]);
  const address = useDocument(source);
  const handle = useRef(props.onMessage);
  const asked = useRef(props.standIn);
  useEffect(() => {
    handle.current = props.onMessage;
    asked.current = props.standIn;
  });

  // Before the browser gets on with anything else: a frame that is ready at once would say so to nobody.
  useLayoutEffect(() => {
    const listen = (event: MessageEvent) => {
      if (event.source !== frame.current?.contentWindow) return;
      const message = frameMessageSchema.safeParse(event.data);
      if (!message.success) return;
      if (message.data.type === 'ready') {
        shown.current = first;
        marked.current = '';
        openPort(frame.current!);
        setReady((count) => count + 1);
      }
      if (message.data.type === 'pressed') return sayFinger(message.data.finger);
      handle.current(message.data);
    };
    addEventListener('message', listen);
    return () => removeEventListener('message', listen);
  }, [first, frame]);

  const follow = useCallback(
    (given: Project, givenPage: Page, standIn: StandIn) => {
      const from = shown.current;
      if (ready === 0 || suspended || !from) return;
      const { project, page, held } = heldPage(given, givenPage, hold);
      const marks = heldMarks(held);
      if (JSON.stringify(marks) !== marked.current) {
        marked.current = JSON.stringify(marks);
        tellFrame(frame.current, { type: 'held', marks });
      }
      if (shows(from, project, page, standIn)) return;
      const { shown: next, patch } = nextPreview(from, project, page, standIn, fontData);
      shown.current = next;
      if (patch.kind !== 'none') tellFrame(frame.current, { ...patch, type: patch.kind });
    },
    [ready, suspended, fontData, frame, hold],
  );
  useEffect(() => follow(project, page, standIn), [follow, project, page, standIn]);
  // The frame is a process of its own: told at once, it lays out while the workbench still draws itself.
  useEffect(() => {
    if (!live) return undefined;
    return useSession.subscribe((session, before) => {
      const next = shownProject(session);
      const nextPage = next !== shownProject(before) && next.id === project.id ? pageOf(next, page.id) : undefined;
      if (nextPage) follow(next, nextPage, whatMatters(next, asked.current));
    });
  }, [live, follow, project.id, page.id]);

  const opened = open.filter((id) => id in page.elements).join(' ');
  useEffect(() => {
    const ids = opened.split(' ').filter(Boolean);
    if (ready > 0 && !suspended && !use) tellFrame(frame.current, { type: 'open', ids });
  }, [ready, suspended, opened, use, frame]);
  const locked = lockedAmong(page.elements);
  useEffect(() => {
    const ids = { ids: [...selection], locked, leads };
    if (ready > 0 && !suspended) tellFrame(frame.current, { type: 'select', ...ids });
  }, [ready, suspended, selection, locked, leads, frame]);

  return (
    <iframe
      ref={frame}
      style={style}
      title={label}
      {...address}
      sandbox="allow-scripts"
      className="absolute top-0 left-0 origin-top-left border-0 bg-white"
    />
  );
}
