import { z } from 'zod';
import type { Edit } from '@/core/edits';
import { plural } from '@/core/text';
import type { Edited } from '../requests/requests';
import { isForGood, openProject, Refused, saveEdits } from '../requests/requests';
import { useSession } from '../state/store';

/*
 * Edits that wait for the server outlive their window: they are kept in the browser when it closes, and while it is open for the case that it is
 * killed. They are sent when the project is next opened. One that has been taken after all, though the answer got lost, is known by its id.
 */

const PREFIX = 'mill-pond-unsent ';
/** Of a window that is open, or was when it was killed. Each holds a lock of this name as long as it lives. */
const OPEN_PREFIX = 'mill-pond-waiting ';
/** What is saved within this time isn't written down, ms. */
const SOON = 500;

/** What is no edit is refused by the server, in words; one such must not keep a project from being opened. */
const keptSchema = z.object({
  revision: z.number().int().min(0),
  edits: z.array(
    z.object({
      id: z.string(),
      kind: z.enum(['do', 'undo', 'redo']),
      of: z.string().optional(),
      edit: z.unknown().transform((edit) => edit as Edit),
    }),
  ),
});

/** Edits in one request. */
const BATCH = 100;

let mine: string | undefined;

/** @returns false where there is no room; whoever closes the window is warned */
function keep(key: string): boolean {
  const { revision, pending } = useSession.getState();
  const edits = pending.map(({ id, kind, of, edit }) => ({ id, kind, of, edit }));
  try {
    localStorage.setItem(key, JSON.stringify({ revision, edits }));
    return true;
  } catch {
    return false;
  }
}

let isKeeping = false;

/** From now on, as long as the window lives: what waits outlives it. */
export function outliveWindow(): void {
  if (isKeeping) return;
  isKeeping = true;
  const forget = keepWaiting();
  addEventListener('pagehide', () => {
    forget();
    keepUnsent();
  });
  addEventListener('pageshow', stillHere);
}

/** Writes down what waits for longer than a moment, and forgets it when it's saved. @returns forgets it, since another key takes its place */
export function keepWaiting(): () => void {
  const locks = globalThis.navigator?.locks;
  if (!locks) return () => undefined;
  const window = crypto.randomUUID();
  let timer: ReturnType<typeof setTimeout> | undefined;
  let key: string | undefined;
  void locks.request(`${OPEN_PREFIX}${window}`, () => new Promise<void>(() => undefined));
  const forget = () => {
    clearTimeout(timer);
    timer = undefined;
    if (key) localStorage.removeItem(key);
    key = undefined;
  };
  const write = () => {
    timer = undefined;
    const next = `${OPEN_PREFIX}${useSession.getState().projectId} ${window}`;
    if (keep(next)) key = next;
  };
  useSession.subscribe(({ pending }, before) => {
    if (pending === before.pending) return;
    if (pending.length === 0) forget();
    else timer ??= setTimeout(write, SOON);
  });
  return forget;
}

/** The window goes. */
export function keepUnsent(): void {
  const { projectId, pending } = useSession.getState();
  if (pending.length === 0) return;
  const key = `${PREFIX}${projectId} ${crypto.randomUUID()}`;
  mine = keep(key) ? key : undefined;
}

/** The window is there again as it was, with all that waits. */
export function stillHere(): void {
  if (mine) localStorage.removeItem(mine);
  mine = undefined;
}

/** What closed and killed windows left for a project, each with its lock where one may still be held. */
function leftFor(projectId: string): { key: string; lock?: string }[] {
  return Object.keys(globalThis.localStorage ?? {}).flatMap((key) => {
    if (key.startsWith(`${PREFIX}${projectId} `)) return [{ key }];
    const open = `${OPEN_PREFIX}${projectId} `;
    return key.startsWith(open) ? [{ key, lock: `${OPEN_PREFIX}${key.slice(open.length)}` }] : [];
  });
}

/** Nothing is done where the window lives. */
async function unlessAlive(lock: string | undefined, run: () => Promise<void>): Promise<void> {
  const locks = globalThis.navigator?.locks;
  if (!lock) await run();
  else if (locks) await locks.request(lock, { ifAvailable: true }, async (free) => (free ? run() : undefined));
}

/**
 * Sends what closed windows left.
 * @returns what became of it, and what could not be done
 * @throws where the server gives no answer; all is kept then
 */
export async function sendUnsent(projectId: string): Promise<{ news: string | undefined; problems: string[] }> {
  const problems: string[] = [];
  let sent = 0;
  const sendKept = async (key: string) => {
    const text = localStorage.getItem(key);
    // Another window was quicker.
    if (text === null) return;
    const kept = keptSchema.safeParse(readJson(text));
    if (!kept.success) problems.push('Edits that were kept when a window closed can’t be read any more.');
    try {
      for (const batch of batchesOf(kept.data?.edits ?? [])) {
        const refused = await send(projectId, kept.data!.revision, batch);
        sent += batch.length - refused.length;
        problems.push(...refused.map((why) => `An edit that was kept when a window closed could not be made: ${why}`));
      }
      localStorage.removeItem(key);
    } catch (error) {
      // A fault of the server's must not keep the project from being opened; there will be another time.
      if (!(error instanceof Refused)) throw error;
      problems.push(`Edits that were kept when a window closed could not be sent, and are kept on: ${error.message}`);
    }
  };
  for (const { key, lock } of leftFor(projectId)) await unlessAlive(lock, () => sendKept(key));
  const news = `${plural(sent, 'edit')} that had not been saved when a window closed ${sent === 1 ? 'is' : 'are'} saved now.`;
  return { news: sent > 0 ? news : undefined, problems };
}

const batchesOf = (edits: readonly Edited[]) =>
  Array.from({ length: Math.ceil(edits.length / BATCH) }, (_, i) => edits.slice(i * BATCH, (i + 1) * BATCH));

/** @returns why edits were refused, a sentence for each */
async function send(projectId: string, revision: number, batch: readonly Edited[]): Promise<string[]> {
  try {
    return (await saveEdits(projectId, revision, batch)).refused.map(({ why }) => why);
  } catch (error) {
    // A server that has gone back to before the window's revision.
    if (error instanceof Refused && error.status === 409) {
      const opened = await openProject(projectId);
      if (opened.revision < revision) return send(projectId, opened.revision, batch);
    }
    if (!isForGood(error)) throw error;
    if (batch.length === 1) return [error.message];
    // Refused as a whole: one by one it turns out which of them.
    const each: string[] = [];
    for (const one of batch) each.push(...(await send(projectId, revision, [one])));
    return each;
  }
}

function readJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
