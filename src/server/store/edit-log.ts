import { and, asc, desc, eq, gt, inArray } from 'drizzle-orm';
import { z } from 'zod';
import type { History, LogEntry } from '@/core/edits';
import { changeDocument, EditError, editSchema, HISTORY_DEPTH, historyOf } from '@/core/edits';
import { database } from '../db/client';
import { edits } from '../db/schema';
import { HttpError } from '../http/errors';
import type { Connection } from './documents';
import { loadProject, updateProject } from './documents';

export const editRequestSchema = z.strictObject({
  /** The revision that the edits were made on. */
  revision: z.number().int().min(0),
  edits: z
    .array(
      z.strictObject({
        id: z.uuid('An edit needs an id (a UUID).'),
        kind: z.enum(['do', 'undo', 'redo']),
        of: z.uuid().optional(),
        edit: editSchema,
      }),
    )
    .min(1, 'There is no edit in the request.')
    .max(200),
});
export type EditRequest = z.infer<typeof editRequestSchema>;

export type EditAnswer =
  | { readonly status: 'saved'; readonly revision: number }
  /** The client was behind: the edits in between, to replay its own on top of. */
  | { readonly status: 'stale'; readonly revision: number; readonly missed: readonly LogEntry[] };

type Row = typeof edits.$inferSelect;

const entryOf = (row: Row): LogEntry => ({
  revision: row.revision,
  id: row.editId,
  kind: row.kind,
  of: row.ofEdit ?? undefined,
  edit: row.edit as LogEntry['edit'],
  inverse: row.inverse as LogEntry['inverse'],
});

/**
 * Makes edits on a project: all of them or none, in one transaction, each appended to the log. Edits that were
 * answered before (same ids) are answered again without being made twice.
 */
export async function makeEdits(projectId: string, request: EditRequest): Promise<EditAnswer> {
  return database().transaction(async (transaction): Promise<EditAnswer> => {
    const { project, revision } = await loadProject(transaction, projectId, true);
    const ids = request.edits.map((edit) => edit.id);
    const done = await transaction
      .select()
      .from(edits)
      .where(and(eq(edits.projectId, projectId), inArray(edits.editId, ids)));
    // Sent again because the answer was lost: it's there, unless others have gone on since.
    if (done.length === ids.length && revision === request.revision + ids.length) return { status: 'saved', revision };
    if (request.revision !== revision || done.length > 0) {
      if (request.revision > revision)
        throw new HttpError(409, 'The request names a revision that does not exist. Reload the project.');
      return { status: 'stale', revision, missed: await entriesSince(transaction, projectId, request.revision) };
    }
    let document = project;
    let at = revision;
    for (const { id, kind, of, edit } of request.edits) {
      const applied = tryEdit(() => changeDocument(document, edit));
      document = applied.document;
      at++;
      await transaction
        .insert(edits)
        .values({ projectId, revision: at, editId: id, kind, ofEdit: of ?? null, edit, inverse: applied.inverse });
    }
    await updateProject(transaction, project, document, at);
    return { status: 'saved', revision: at };
  });
}

function tryEdit<T>(run: () => T): T {
  try {
    return run();
  } catch (error) {
    if (error instanceof EditError) throw new HttpError(422, error.message);
    throw error;
  }
}

async function entriesSince(connection: Connection, projectId: string, revision: number): Promise<LogEntry[]> {
  const rows = await connection
    .select()
    .from(edits)
    .where(and(eq(edits.projectId, projectId), gt(edits.revision, revision)))
    .orderBy(asc(edits.revision));
  return rows.map(entryOf);
}

/** What can be undone and redone, from the end of the log. */
export async function loadHistory(projectId: string): Promise<History> {
  const rows = await database()
    .select()
    .from(edits)
    .where(eq(edits.projectId, projectId))
    .orderBy(desc(edits.revision))
    .limit(HISTORY_DEPTH * 3);
  return historyOf(rows.reverse().map(entryOf));
}
