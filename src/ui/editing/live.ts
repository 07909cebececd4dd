import { tidingsSchema, WINDOW_ID } from '../requests/requests';
import { useSession } from '../state/store';
import { hear, reload, schedule } from './sync';

/** How soon a connection that the browser gave up is tried again, ms. */
const AGAIN_MS = 1_500;

let source: EventSource | undefined;
let retry: ReturnType<typeof setTimeout> | undefined;

/** Hears of others' edits to the project that is open, from now on until another one is. */
export function listen(projectId: string): void {
  stopListening();
  // Where there is no window there is nobody to tell.
  if (typeof EventSource === 'undefined') return;
  const { revision } = useSession.getState();
  const mine = new EventSource(`/api/projects/${projectId}/events?since=${revision}&window=${WINDOW_ID}`);
  source = mine;
  mine.onopen = () => {
    useSession.setState({ connected: true });
    // What waited for a server to answer goes at once.
    if (useSession.getState().saving === 'waiting') schedule(0);
  };
  mine.onmessage = ({ data }: MessageEvent<string>) => {
    if (source !== mine) return;
    const tidings = tidingsSchema.safeParse(JSON.parse(data));
    if (!tidings.success || tidings.data.reload) void reload().catch(() => undefined);
    else hear(tidings.data.entries);
  };
  mine.onerror = () => {
    if (source !== mine) return;
    useSession.setState({ connected: false });
    // The browser tries again by itself unless it was refused.
    if (mine.readyState !== EventSource.CLOSED) return;
    clearTimeout(retry);
    retry = setTimeout(() => listen(projectId), AGAIN_MS);
  };
}

function stopListening(): void {
  clearTimeout(retry);
  source?.close();
  source = undefined;
}
