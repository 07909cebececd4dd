import type { Project } from '@/core/document';
import type { Footprint } from '@/core/edits';
import { applyEdit, describeEdit, mergeFootprints } from '@/core/edits';
import { database } from '../db/client';
import { HttpError } from '../http/errors';
import { loadProject } from './documents';
import { entryOf, rowsSince } from './log-rows';

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

/** The rows after a revision up to another, newest first; none from before the project was taken back. */
async function rowsBetween(projectId: string, after: number, upTo: number, most: number) {
  const rows = (await rowsSince(database(), projectId, after, most)).filter(({ revision }) => revision <= upTo);
  const restart = rows.findIndex(({ kind }) => kind === 'restart');
  return restart < 0 ? rows : rows.slice(0, restart);
}

/** What can be gone back to, newest first: the project as it was before each of the last edits. */
export async function listRevisions(projectId: string): Promise<{ current: number; revisions: RevisionNote[] }> {
  const { project, revision } = await loadProject(database(), projectId);
  let document = project;
  const revisions = (await rowsBetween(projectId, 0, revision, LISTED)).map((row): RevisionNote => {
    const { edit, inverse, kind } = entryOf(row);
    document = applyEdit(document, inverse).document;
    const words = describeEdit(document, edit);
    return {
      revision: row.revision - 1,
      at: row.createdAt.toISOString(),
      words: kind === 'do' ? words : `${kind === 'undo' ? 'Undo' : 'Redo'}: ${words}`,
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
  const rows = await rowsBetween(projectId, revision, now, LISTED * 50);
  if (rows.length !== now - revision) throw new HttpError(404, 'This revision lies too far back to be looked at.');
  let project = current;
  const footprints: Footprint[] = [];
  for (const row of rows) {
    const applied = applyEdit(project, entryOf(row).inverse);
    footprints.push(applied.footprint);
    project = applied.document;
  }
  return { project, current, revision: now, footprint: mergeFootprints(...footprints) };
}
