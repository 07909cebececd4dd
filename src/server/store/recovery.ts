import { randomUUID } from 'node:crypto';
import { asc, eq, sql } from 'drizzle-orm';
import type { Project } from '@/core/document';
import { kept, readProject, UnreadableProject } from '@/core/document';
import type { Edit, LogEntry } from '@/core/edits';
import { applyEdit, makeEdit } from '@/core/edits';
import { database } from '../db/client';
import type { Connection } from '../db/client';
import { edits, projectParts, projects } from '../db/schema';
import { HttpError } from '../http/errors';
import { announceEdits } from '../db/announcements';
import { DamagedProject, forget, loadProject, projectRow } from './documents';
import { appendEntries, entriesSince, entryOf, rowsSince } from './log-rows';
import { rawSnapshot, readSnapshot, snapshotsOf, writeSnapshot } from './parts';
import { inTurn } from './project-turns';

/** How many edits are taken back in search of a document that can be read. */
const TAKEN_BACK_MOST = 500;

export interface Readable {
  readonly project: Project;
  readonly revision: number;
}

export interface Damage {
  /** What is wrong with the document as it is stored, and where in it. */
  readonly reason: string;
  readonly place: string;
  /** The revision that can't be read. */
  readonly revision: number;
}

/** What is wrong with a project, and its newest revision that can be read; undefined for one that is in order. */
export async function damageOf(id: string): Promise<(Damage & { readonly readable?: Readable }) | undefined> {
  try {
    await loadProject(database(), id);
    return undefined;
  } catch (error) {
    if (!(error instanceof DamagedProject)) throw error;
    const { revision } = await projectRow(database(), id);
    const readable = await newestReadable(database(), id);
    return { reason: error.problem.reason, place: error.problem.place, revision, ...(readable && { readable }) };
  }
}

/** The newest revision that can be read: from a snapshot on by the log, or back from an unreadable one by its inverses. */
async function newestReadable(connection: Connection, id: string): Promise<Readable | undefined> {
  const { revision: now } = await projectRow(connection, id);
  const snapshots = await snapshotsOf(connection, id);
  const forwards = await forward(connection, id, snapshots, now);
  const [newest] = snapshots;
  const back = newest === undefined ? undefined : await backward(connection, id, newest, forwards?.revision ?? -1);
  return back ?? forwards;
}

async function forward(connection: Connection, id: string, snapshots: readonly number[], now: number) {
  for (const revision of snapshots) {
    let readable: Readable;
    try {
      readable = { project: (await readSnapshot(connection, id, revision)).project, revision };
    } catch (error) {
      if (error instanceof UnreadableProject) continue;
      throw error;
    }
    for (const entry of await entriesSince(connection, id, revision, now - revision)) {
      const next = entry.revision === readable.revision + 1 ? oneMore(readable.project, entry) : undefined;
      if (!next) break;
      readable = { project: next, revision: entry.revision };
    }
    return readable;
  }
  return undefined;
}

function oneMore(project: Project, { edit }: LogEntry): Project | undefined {
  try {
    return makeEdit(project, edit).document;
  } catch {
    return undefined;
  }
}

/** Takes edits back from a document that can't be read, until one is found that can and is newer than what is known. */
async function backward(connection: Connection, id: string, from: number, known: number): Promise<Readable | undefined> {
  let document: unknown = { parts: [], ...((await rawSnapshot(connection, id, from)) as object) };
  const rows = await rowsSince(connection, id, Math.max(known, from - TAKEN_BACK_MOST), TAKEN_BACK_MOST + 1);
  for (const row of rows.filter(({ revision }) => revision <= from)) {
    try {
      document = applyEdit(document as Project, entryOf(row).inverse).document;
      return { project: readProject(kept(document as Project)), revision: row.revision - 1 };
    } catch (error) {
      if (!(error instanceof UnreadableProject)) return undefined;
    }
  }
  return undefined;
}

/** Takes a damaged project back to its newest revision that can be read. What came after stays in the log, unused. */
export async function goBack(id: string): Promise<{ readonly revision: number }> {
  return inTurn(id, async () => {
    forget(id);
    const revision = await database().transaction(async (transaction) => {
      const row = await projectRow(transaction, id, true);
      const readable = await newestReadable(transaction, id);
      if (!readable)
        throw new HttpError(422, 'No revision of this project can be read. Download everything to look at it by hand.');
      const next = row.revision + 1;
      const label = `Go back to revision ${readable.revision}`;
      const nothing: Edit = { type: 'group', label, edits: [] };
      await appendEntries(transaction, id, [
        { revision: next, id: randomUUID(), kind: 'restart', edit: nothing, inverse: nothing },
      ]);
      await transaction
        .update(projects)
        .set({ revision: next, updatedAt: sql`now()` })
        .where(eq(projects.id, id));
      await writeSnapshot(transaction, readable.project, next);
      await announceEdits(transaction, id);
      return next;
    });
    forget(id);
    return { revision };
  });
}

/** Everything that is stored of a project, as it is stored. */
export async function everythingOf(id: string) {
  const project = await projectRow(database(), id);
  const parts = await database()
    .select()
    .from(projectParts)
    .where(eq(projectParts.projectId, id))
    .orderBy(asc(projectParts.part), asc(projectParts.revision));
  const log = await database().select().from(edits).where(eq(edits.projectId, id)).orderBy(asc(edits.revision));
  return { project, parts, log };
}
