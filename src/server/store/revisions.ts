import { and, desc, eq, gt } from 'drizzle-orm';
import type { Project } from '@/core/document';
import type { Footprint } from '@/core/edits';
import { applyEdit, changeDocument, describeEdit, mergeFootprints } from '@/core/edits';
import { database } from '../db/client';
import { edits } from '../db/schema';
import { HttpError } from '../http/errors';
import { loadProject } from './documents';
import type { Edit } from '@/core/edits';

/** How many edits back can be looked at. */
const LISTED = 200;

export interface RevisionNote {
  /** The project's revision before the edit. */
  readonly revision: number;
  /** When the edit was made, ISO 8601. */
  readonly at: string;
  /** The edit that came next, in words. */
  readonly words: string;
}

async function entriesAfter(projectId: string, revision: number, most: number) {
  return database()
    .select()
    .from(edits)
    .where(and(eq(edits.projectId, projectId), gt(edits.revision, revision)))
    .orderBy(desc(edits.revision))
    .limit(most);
}

/** What can be gone back to, newest first: the project as it was before each of the last edits. */
export async function listRevisions(projectId: string): Promise<{ current: number; revisions: RevisionNote[] }> {
  const { project, revision } = await loadProject(database(), projectId);
  const rows = await entriesAfter(projectId, 0, LISTED);
  let document = project;
  const revisions = rows.map((row): RevisionNote => {
    document = changeDocument(document, row.inverse as Edit).document;
    const words = describeEdit(document, row.edit as Edit);
    return {
      revision: row.revision - 1,
      at: row.createdAt.toISOString(),
      words: row.kind === 'do' ? words : `${row.kind === 'undo' ? 'Undo' : 'Redo'}: ${words}`,
    };
  });
  return { current: revision, revisions };
}

export interface Earlier {
  readonly project: Project;
  readonly current: Project;
  readonly revision: number;
  /** All that the edits since can have changed, page by page. */
  readonly footprint: Footprint;
}

/**
 * The project as it was at a revision, by taking back what came after.
 * @throws HttpError 404 when there is no such revision
 */
export async function earlierProject(projectId: string, revision: number): Promise<Earlier> {
  const { project: current, revision: now } = await loadProject(database(), projectId);
  if (revision < 0 || revision > now) throw new HttpError(404, 'The project has no such revision.');
  const rows = await entriesAfter(projectId, revision, LISTED * 50);
  if (rows.length !== now - revision) throw new HttpError(404, 'This revision lies too far back to be looked at.');
  let project = current;
  const footprints: Footprint[] = [];
  for (const row of rows) {
    const applied = applyEdit(project, row.inverse as Edit);
    footprints.push(applied.footprint);
    project = applied.document;
  }
  return { project, current, revision: now, footprint: mergeFootprints(...footprints) };
}
