import { and, asc, desc, eq, gt, inArray } from 'drizzle-orm';
import type { LogEntry } from '@/core/edits';
import { upgradedEdit } from '@/core/edits';
import type { Connection } from '../db/client';
import { edits } from '../db/schema';

type Row = typeof edits.$inferSelect;

/** The rows of one INSERT; a statement takes 65,535 parameters at most. */
const ROWS_AT_ONCE = 500;

export const entryOf = (row: Row): LogEntry => ({
  revision: row.revision,
  id: row.editId,
  kind: row.kind,
  of: row.ofEdit ?? undefined,
  edit: upgradedEdit(row.edit as LogEntry['edit']),
  inverse: upgradedEdit(row.inverse as LogEntry['inverse']),
});

export async function appendEntries(connection: Connection, projectId: string, entries: readonly LogEntry[]): Promise<void> {
  const rows = entries.map(({ id, of, ...entry }) => ({ ...entry, projectId, editId: id, ofEdit: of ?? null }));
  for (let at = 0; at < rows.length; at += ROWS_AT_ONCE) await connection.insert(edits).values(rows.slice(at, at + ROWS_AT_ONCE));
}

/** The entries after a revision, in order; the first `most` of them where that is given. */
export async function entriesSince(
  connection: Connection,
  projectId: string,
  revision: number,
  most?: number,
): Promise<LogEntry[]> {
  const query = connection
    .select()
    .from(edits)
    .where(and(eq(edits.projectId, projectId), gt(edits.revision, revision)))
    .orderBy(asc(edits.revision));
  return (await (most === undefined ? query : query.limit(most))).map(entryOf);
}

/** The rows after a revision, newest first, with when they were made. */
export function rowsSince(connection: Connection, projectId: string, revision: number, most: number) {
  return connection
    .select()
    .from(edits)
    .where(and(eq(edits.projectId, projectId), gt(edits.revision, revision)))
    .orderBy(desc(edits.revision))
    .limit(most);
}

export async function entriesNamed(connection: Connection, projectId: string, ids: readonly string[]): Promise<LogEntry[]> {
  if (ids.length === 0) return [];
  const rows = await connection
    .select()
    .from(edits)
    .where(and(eq(edits.projectId, projectId), inArray(edits.editId, [...ids])));
  return rows.map(entryOf);
}
