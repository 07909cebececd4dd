import { and, eq, isNull } from 'drizzle-orm';
import type { Page, Project } from '@/core/document';
import { pageOf, UnreadableProject } from '@/core/document';
import type { LogEntry, ServerState } from '@/core/edits';
import { advance, applyEdit, HISTORY_DEPTH, historyOf } from '@/core/edits';
import type { Connection } from '../db/client';
import { sampleNamed, withSample } from '@/core/tables';
import { database } from '../db/client';
import { projects } from '../db/schema';
import { HttpError } from '../http/errors';
import { entriesSince, entryOf, rowsSince } from './log-rows';
import { readSnapshot, writeSnapshot } from './parts';

/** A document in memory, and what of it is in the newest snapshot. */
export interface LoadedProject extends ServerState {
  /** The newest snapshot; without its document where that isn't stored in the form of today. */
  readonly snapshot: { readonly revision: number; readonly project: Project | undefined };
}

/** A project whose document can't be read. It can be opened as it was before; see `recovery.ts`. */
export class DamagedProject extends HttpError {
  constructor(readonly problem: UnreadableProject) {
    super(422, `This project can't be read as it is stored: ${problem.message} Open it to go back to before that.`);
  }
}

// Next loads modules more than once; what is in memory must be so once for the process.
const kept = globalThis as { millPondProjects?: Map<string, LoadedProject> };
const loaded = (kept.millPondProjects ??= new Map());
/** How many documents stay in memory. */
const IN_MEMORY = 24;

/** Keeps what a transaction has led to, once it is committed. */
export function remember(id: string, state: LoadedProject): void {
  const known = loaded.get(id);
  if (known && known.revision > state.revision) return;
  loaded.delete(id);
  loaded.set(id, state);
  for (const oldest of [...loaded.keys()].slice(0, -IN_MEMORY)) loaded.delete(oldest);
}

export function forget(id: string): void {
  loaded.delete(id);
}

export type ProjectRow = typeof projects.$inferSelect;

/** @throws HttpError 404 when there is no such project, or it is deleted. */
export async function projectRow(connection: Connection, id: string, lock = false): Promise<ProjectRow> {
  const query = connection
    .select()
    .from(projects)
    .where(and(eq(projects.id, id), isNull(projects.deletedAt)));
  const [row] = await (lock ? query.for('update') : query);
  if (!row) throw new HttpError(404, 'There is no such project. It may have been deleted.');
  return row;
}

/**
 * The document as it is, from memory where that is up to date; else what memory or the newest snapshot lacks is made
 * on top of it from the log.
 * @throws HttpError 404 when there is no such project, DamagedProject when its document can't be read
 */
export async function loadProject(connection: Connection, id: string, lock = false): Promise<LoadedProject> {
  const row = await projectRow(connection, id, lock);
  const known = loaded.get(id);
  const current =
    known && known.revision <= row.revision ? await caughtUp(connection, known, row) : await readState(connection, row);
  const state = current.project.name === row.name ? current : { ...current, project: { ...current.project, name: row.name } };
  if (state !== known && !lock) remember(id, state);
  return state;
}

async function caughtUp(connection: Connection, known: LoadedProject, row: ProjectRow): Promise<LoadedProject> {
  if (known.revision === row.revision) return known;
  const missed = await entriesSince(connection, row.id, known.revision, row.revision - known.revision);
  if (missed.some(({ kind }) => kind === 'restart')) return readState(connection, row);
  return missed.reduce((state, entry) => after(state, entry), known);
}

function after(state: LoadedProject, entry: LogEntry): LoadedProject {
  const { document } = applyEdit(state.project, entry.edit);
  return { ...state, revision: entry.revision, project: document, history: advance(state.history, entry) };
}

async function readState(connection: Connection, row: ProjectRow): Promise<LoadedProject> {
  try {
    const { project, asStored } = await readSnapshot(connection, row.id, row.snapshot);
    const missed = await entriesSince(connection, row.id, row.snapshot, row.revision - row.snapshot);
    const last = missed[missed.length - 1]?.revision ?? row.snapshot;
    if (last !== row.revision || missed.length !== row.revision - row.snapshot)
      throw new UnreadableProject(`Edits between revisions ${row.snapshot} and ${row.revision} are missing.`);
    let document = project;
    for (const { edit, revision } of missed) document = replayed(document, edit, revision);
    return {
      revision: row.revision,
      project: document,
      history: await historyAt(connection, row),
      snapshot: { revision: row.snapshot, project: asStored ? project : undefined },
    };
  } catch (error) {
    if (error instanceof UnreadableProject) throw new DamagedProject(error);
    throw error;
  }
}

function replayed(project: Project, edit: LogEntry['edit'], revision: number): Project {
  try {
    return applyEdit(project, edit).document;
  } catch (error) {
    throw new UnreadableProject(`The edit that led to revision ${revision} can't be made again: ${(error as Error).message}`);
  }
}

/** What can be undone and redone, from the end of the log. */
async function historyAt(connection: Connection, row: ProjectRow) {
  const rows = await rowsSince(connection, row.id, 0, HISTORY_DEPTH * 3);
  return historyOf(
    rows
      .filter(({ revision }) => revision <= row.revision)
      .reverse()
      .map(entryOf),
  );
}

/** A new project as its first snapshot. */
export async function insertProject(connection: Connection, project: Project): Promise<void> {
  await connection.insert(projects).values({ id: project.id, name: project.name });
  await writeSnapshot(connection, project, 0);
}

/**
 * A page of a project as it is now.
 * @throws HttpError 409 when the caller shows another revision, 404 when there is no such page
 */
export async function pageAtRevision(
  id: string,
  revision: number,
  pageId: string,
  sample?: string,
): Promise<{ project: Project; page: Page }> {
  const stored = await loadProject(database(), id);
  if (stored.revision !== revision) throw new HttpError(409, 'The project has changed since; ask again.');
  const project = sample === undefined ? stored.project : withSample(stored.project, sampleNamed(sample));
  const page = pageOf(project, pageId);
  if (!page) throw new HttpError(404, 'There is no such page.');
  return { project, page };
}
