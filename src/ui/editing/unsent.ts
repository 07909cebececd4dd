import { z } from 'zod';
import type { Edit } from '@/core/edits';
import { plural } from '@/core/text';
import type { Edited } from '../requests/requests';
import { isForGood, openProject, Refused, saveEdits } from '../requests/requests';
import { useSession } from '../state/store';

/*
 * Edits that wait for the server outlive their window: they are kept in the browser when it closes, and sent when the project is next opened. One
 * that has been taken after all, though the answer got lost, is known by its id.
 */

const PREFIX = 'mill-pond-unsent ';

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

/** The window goes. */
export function keepUnsent(): void {
  const { projectId, revision, pending } = useSession.getState();
  if (pending.length === 0) return;
  const edits = pending.map(({ id, kind, of, edit }) => ({ id, kind, of, edit }));
  mine = `${PREFIX}${projectId} ${crypto.randomUUID()}`;
  try {
    localStorage.setItem(mine, JSON.stringify({ revision, edits }));
  } catch {
    // There is no room; whoever closed the window was warned.
    mine = undefined;
  }
}

/** The window is there again as it was, with all that waits. */
export function stillHere(): void {
  if (mine) localStorage.removeItem(mine);
  mine = undefined;
}

/**
 * Sends what closed windows left.
 * @returns what became of it, and what could not be done
 * @throws where the server gives no answer; all is kept then
 */
export async function sendUnsent(projectId: string): Promise<{ news: string | undefined; problems: string[] }> {
  const problems: string[] = [];
  const keys = Object.keys(globalThis.localStorage ?? {}).filter((key) => key.startsWith(`${PREFIX}${projectId} `));
  let sent = 0;
  for (const key of keys) {
    const kept = keptSchema.safeParse(readJson(localStorage.getItem(key)));
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
  }
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

function readJson(text: string | null): unknown {
  try {
    return JSON.parse(text ?? '');
  } catch {
    return undefined;
  }
}
