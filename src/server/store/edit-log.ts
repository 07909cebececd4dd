import { eq, sql } from 'drizzle-orm';
import { z } from 'zod';
import type { Arrived, Refusal } from '@/core/edits';
import { takeIn } from '@/core/edits';
import { database } from '../db/client';
import { projects } from '../db/schema';
import { HttpError } from '../http/errors';
import { log } from '../logging/log';
import { announceEdits } from '../db/announcements';
import type { LoadedProject } from './documents';
import { loadProject, remember } from './documents';
import { appendEntries, entriesNamed, entriesSince } from './log-rows';
import { writeSnapshot } from './parts';
import { inTurn } from './project-turns';

export const editRequestSchema = z.strictObject({
  /** The revision that the window has; what came after is told with the answer. */
  revision: z.number().int().min(0),
  edits: z
    .array(
      z.strictObject({
        id: z.uuid('An edit needs an id (a UUID).'),
        kind: z.enum(['do', 'undo', 'redo']),
        of: z.uuid().optional(),
        /** Read when it is its turn; each is taken or refused by itself. */
        edit: z.unknown(),
      }),
    )
    .min(1, 'There is no edit in the request.')
    .max(200, 'At most 200 edits come in one request.'),
});
export type EditRequest = z.infer<typeof editRequestSchema>;

export interface EditAnswer {
  readonly revision: number;
  /** All entries since the window's revision, in order; its own ones only by their revision. */
  readonly entries: readonly Arrived[];
  /** Ids of edits that were in the log before the window's revision. */
  readonly known: readonly string[];
  readonly refused: readonly Refusal[];
  /** The window is too far behind to be told one by one what it missed. */
  readonly reload?: true;
}

/** Edits between two whole documents in the store. */
const SNAPSHOT_EVERY = 64;
/** A document is stored as a whole after this pause, ms. */
const SNAPSHOT_PAUSE = 1_500;
/** A window that lacks more entries than this loads the project anew. */
const TOLD_MOST = 1_000;

/**
 * Makes edits on a project in one transaction, on top of whatever is there by now. Each is appended to the log or refused
 * with a reason; one that is there already under its id is answered again without being made twice.
 */
export async function makeEdits(projectId: string, request: EditRequest): Promise<EditAnswer> {
  return inTurn(projectId, async () => {
    let next: LoadedProject | undefined;
    const answer = await database().transaction(async (transaction): Promise<EditAnswer> => {
      const state = await loadProject(transaction, projectId, true);
      if (request.revision > state.revision)
        throw new HttpError(409, 'The request names a revision that does not exist. Reload the project.');
      const ids = request.edits.map(({ id }) => id);
      const there = await entriesNamed(transaction, projectId, ids);
      const { state: after, entries, refused } = takeIn(state, request.edits, there);
      const { revision } = after;
      next = { ...after, snapshot: state.snapshot };
      if (entries.length > 0) {
        await appendEntries(transaction, projectId, entries);
        await transaction
          .update(projects)
          .set({ revision, updatedAt: sql`now()` })
          .where(eq(projects.id, projectId));
        if (revision - state.snapshot.revision >= SNAPSHOT_EVERY) {
          await writeSnapshot(transaction, after.project, revision, state.snapshot.project);
          next = { ...next, snapshot: { revision, project: after.project } };
        }
        await announceEdits(transaction, projectId);
      }
      const wrong = new Set(refused.map(({ id }) => id));
      const own = new Set(ids.filter((id) => !wrong.has(id)));
      const known = there.filter((entry) => entry.revision <= request.revision && own.has(entry.id)).map(({ id }) => id);
      if (revision - request.revision > TOLD_MOST + ids.length) return { revision, entries: [], known, refused, reload: true };
      const missed =
        state.revision > request.revision
          ? await entriesSince(transaction, projectId, request.revision, state.revision - request.revision)
          : [];
      const told = [...missed, ...entries].map((entry): Arrived =>
        own.has(entry.id) ? { revision: entry.revision, id: entry.id } : entry,
      );
      return { revision, entries: told, known, refused };
    });
    if (next) remember(projectId, next);
    if (next && next.revision > next.snapshot.revision) snapshotSoon(projectId);
    return answer;
  });
}

const waiting = new Map<string, ReturnType<typeof setTimeout>>();

/** Stores the whole document once nobody has edited it for a moment, so that opening it replays little. */
function snapshotSoon(projectId: string): void {
  clearTimeout(waiting.get(projectId));
  const timer = setTimeout(() => {
    waiting.delete(projectId);
    snapshotNow(projectId).catch((error: unknown) => log.warn({ error }, 'snapshot'));
  }, SNAPSHOT_PAUSE);
  timer.unref?.();
  waiting.set(projectId, timer);
}

async function snapshotNow(projectId: string): Promise<void> {
  await inTurn(projectId, async () => {
    const state = await database().transaction(async (transaction) => {
      const current = await loadProject(transaction, projectId, true);
      if (current.revision === current.snapshot.revision) return current;
      await writeSnapshot(transaction, current.project, current.revision, current.snapshot.project);
      return { ...current, snapshot: { revision: current.revision, project: current.project } };
    });
    remember(projectId, state);
  });
}
