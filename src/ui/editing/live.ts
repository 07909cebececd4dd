import { tidingsSchema, WINDOW_ID } from '../requests/requests';
import { useSession } from '../state/store';
import { hear, reload, schedule } from './sync';

/** How soon a connection that is gone is tried again, ms. */
const AGAIN_MS = 1_500;
/** A stream that is silent for this long is broken, ms; the server says every 10 s that it is there. */
const SILENT_MS = 25_000;

/** One connection to the edits of a project, and when to think that it is gone. */
interface Listening {
  readonly projectId: string;
  readonly source: EventSource;
  silence?: ReturnType<typeof setTimeout>;
}

let current: Listening | undefined;
let retry: ReturnType<typeof setTimeout> | undefined;

/** Hears of others' edits to the project that is open, from now on until another one is. */
export function listen(projectId: string): void {
  close();
  // Where there is no window there is nobody to tell.
  if (typeof EventSource === 'undefined') return;
  const { revision } = useSession.getState();
  const source = new EventSource(`/api/projects/${projectId}/events?since=${revision}&window=${WINDOW_ID}`);
  const mine: Listening = { projectId, source };
  current = mine;
  const heard = () => {
    clearTimeout(mine.silence);
    mine.silence = setTimeout(() => lost(mine), SILENT_MS);
  };
  source.addEventListener('open', () => {
    heard();
    useSession.setState({ connected: true });
    // What waited for a server to answer goes at once.
    if (useSession.getState().saving === 'waiting') schedule(0);
  });
  source.addEventListener('there', heard);
  source.addEventListener('message', ({ data }: MessageEvent<string>) => {
    if (current !== mine) return;
    heard();
    const tidings = tidingsSchema.safeParse(JSON.parse(data));
    if (!tidings.success || tidings.data.reload) void reload().catch(() => undefined);
    else hear(tidings.data.entries);
  });
  source.addEventListener('error', () => lost(mine));
}

/** The connection is gone: it is said, and taken up again from the revision that is known by then. */
function lost(listening: Listening): void {
  if (current !== listening) return;
  close();
  useSession.setState({ connected: false });
  retry = setTimeout(() => listen(listening.projectId), AGAIN_MS);
}

function close(): void {
  clearTimeout(retry);
  clearTimeout(current?.silence);
  current?.source.close();
  current = undefined;
}

// A browser that knows that it has no network needn't wait for silence.
globalThis.addEventListener?.('offline', () => current && lost(current));
globalThis.addEventListener?.('online', () => {
  const { projectId, connected } = useSession.getState();
  if (projectId && !connected) listen(projectId);
});
