import { z } from 'zod';
import { tidingsSchema } from '../requests/requests';
import { useSession } from '../state/store';
import { hear, reload, schedule } from './sync';

/*
 * Others' edits as they are made. A browser keeps few connections to one server for all its windows together, so of the
 * windows on a project only one listens and passes on what it hears; when that one closes the next takes over.
 */

/** How soon a connection that is gone is tried again, ms. */
const AGAIN_MS = 1_500;
/** A stream that is silent for this long is broken, ms; the server says every 10 s that it is there. */
const SILENT_MS = 25_000;

/** What is passed on: tidings as the server sent them, or whether there is a connection. */
const passedSchema = z.union([z.object({ connected: z.boolean() }), tidingsSchema]);
type Passed = z.infer<typeof passedSchema>;

/** The project that this window follows, and all that must end when it follows another. */
interface Following {
  readonly projectId: string;
  readonly channel: BroadcastChannel;
  readonly over: AbortController;
  /** Set while this is the window that listens. */
  source?: EventSource | undefined;
  silence?: ReturnType<typeof setTimeout> | undefined;
  retry?: ReturnType<typeof setTimeout> | undefined;
}

let current: Following | undefined;

/** Hears of others' edits to the project that is open, from now on until another one is. */
export function listen(projectId: string): void {
  stopListening();
  // Where there is no window there is nobody to tell.
  if (typeof EventSource === 'undefined') return;
  const mine: Following = { projectId, channel: new BroadcastChannel(`mill-pond ${projectId}`), over: new AbortController() };
  current = mine;
  mine.channel.onmessage = ({ data }) => {
    const passed = passedSchema.safeParse(data);
    if (passed.success && current === mine) take(passed.data);
  };
  useSession.setState({ connected: true });
  if (!('locks' in navigator)) return open(mine);
  const { signal } = mine.over;
  // Held until this window follows something else, or is closed.
  const hold = () =>
    new Promise<void>((release) => {
      open(mine);
      signal.addEventListener('abort', () => release());
    });
  navigator.locks.request(`mill-pond ${projectId}`, { signal }, hold).catch(() => undefined);
}

function take(passed: Passed): void {
  if ('connected' in passed) {
    useSession.setState(passed);
    // What waited for a server to answer goes at once.
    if (passed.connected && useSession.getState().saving === 'waiting') schedule(0);
  } else if (passed.reload) void reload().catch(() => undefined);
  else hear(passed.entries);
}

function open(mine: Following): void {
  if (mine.over.signal.aborted) return;
  const { revision } = useSession.getState();
  const source = new EventSource(`/api/projects/${mine.projectId}/events?since=${revision}`);
  mine.source = source;
  const pass = (passed: Passed) => {
    take(passed);
    mine.channel.postMessage(passed);
  };
  const heard = () => {
    clearTimeout(mine.silence);
    mine.silence = setTimeout(() => lost(mine), SILENT_MS);
  };
  source.addEventListener('open', () => {
    heard();
    pass({ connected: true });
  });
  source.addEventListener('there', heard);
  source.addEventListener('message', ({ data }: MessageEvent<string>) => {
    if (mine.source !== source) return;
    heard();
    const tidings = tidingsSchema.safeParse(JSON.parse(data));
    pass(tidings.success ? tidings.data : { entries: [], reload: true });
  });
  source.addEventListener('error', () => mine.source === source && lost(mine));
}

/** The connection is gone: it is said, and taken up again from the revision that is known by then. */
function lost(mine: Following): void {
  close(mine);
  useSession.setState({ connected: false });
  mine.channel.postMessage({ connected: false });
  mine.retry = setTimeout(() => open(mine), AGAIN_MS);
}

function close(mine: Following): void {
  clearTimeout(mine.silence);
  clearTimeout(mine.retry);
  mine.source?.close();
  mine.source = undefined;
}

/** Asks at once whether the server is back, and sends what waits. */
export function tryNow(): void {
  if (useSession.getState().saving === 'waiting') schedule(0);
  // Where another window listens, it asks.
  if (current && !current.source && current.retry !== undefined) {
    clearTimeout(current.retry);
    open(current);
  }
}

/** Hears of nothing any more; another window of this browser takes over. */
export function stopListening(): void {
  if (!current) return;
  close(current);
  current.over.abort();
  current.channel.close();
  current = undefined;
}

// A browser that knows that it has no network needn't wait for silence.
globalThis.addEventListener?.('offline', () => current?.source && lost(current));
