import { database } from '../db/client';
import { log } from '../logging/log';
import { entriesSince } from '../store/log-rows';
import { hearEdits } from '../db/announcements';

/** How often a silent stream says that it is there, ms: less than what a window takes for broken. */
const BEAT_MS = 10_000;
/** How soon entries are asked for again when the database didn't answer, ms. */
const RETRY_MS = 1_000;
/** More than this is not told one by one; the window loads the project anew. */
const TOLD_MOST = 1_000;

/**
 * All entries of a project's log after a revision as server-sent events (HTML, 9.2), and each new one as it is made. The
 * id of an event is its last revision, so that a browser which lost the connection says how far it had come.
 */
export function editStream(projectId: string, since: number, signal: AbortSignal): Response {
  let stop = () => {};
  const text = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      let told = since;
      let busy = false;
      let more = false;
      const write = (line: string) => {
        try {
          controller.enqueue(text.encode(line));
        } catch {
          stop();
        }
      };
      const tell = async (): Promise<void> => {
        if (busy) {
          more = true;
          return;
        }
        busy = true;
        try {
          do {
            more = false;
            const entries = await entriesSince(database(), projectId, told, TOLD_MOST + 1);
            if (entries.length === 0) continue;
            told = entries[entries.length - 1]!.revision;
            const data = entries.length > TOLD_MOST ? { reload: true } : { entries };
            write(`id: ${told}\ndata: ${JSON.stringify(data)}\n\n`);
          } while (more);
        } catch (error) {
          log.warn({ error }, 'telling of edits');
          setTimeout(() => void tell(), RETRY_MS).unref?.();
        } finally {
          busy = false;
        }
      };
      const deaf = hearEdits(projectId, () => void tell());
      const beat = setInterval(() => write('event: there\ndata: \n\n'), BEAT_MS);
      stop = () => {
        stop = () => {};
        clearInterval(beat);
        deaf();
        try {
          controller.close();
        } catch {
          // The other side has closed it.
        }
      };
      signal.addEventListener('abort', () => stop());
      write('retry: 1000\n: hello\n\n');
      void tell();
    },
    cancel: () => stop(),
  });
  return new Response(body, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform', 'x-accel-buffering': 'no' },
  });
}
