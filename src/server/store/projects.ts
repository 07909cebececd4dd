import { randomUUID } from 'node:crypto';
import { count, desc, eq, isNull } from 'drizzle-orm';
import { READY_SETS } from '@/core/breakpoints';
import type { Project } from '@/core/document';
import { newProject } from '@/core/document';
import { applyEdit } from '@/core/edits';
import { planReadySet } from '@/core/plans';
import { DEMO_NAME, demoProject } from '@/demo';
import { database } from '../db/client';
import { projects } from '../db/schema';
import { HttpError } from '../http/errors';
import { insertProject, loadProject } from './documents';
import { putFiles } from './files';
import { shippedFiles } from './shipped-files';

export interface ProjectSummary {
  readonly id: string;
  readonly name: string;
  readonly pages: number;
  readonly breakpoints: number;
  readonly revision: number;
  readonly updatedAt: string;
}

/** Projects, last changed first. */
export async function listProjects(): Promise<ProjectSummary[]> {
  const rows = await database().select().from(projects).where(isNull(projects.deletedAt)).orderBy(desc(projects.updatedAt));
  return rows.map(({ id, name, pageCount, breakpointCount, revision, updatedAt }) => ({
    id,
    name,
    pages: pageCount,
    breakpoints: breakpointCount,
    revision,
    updatedAt: updatedAt.toISOString(),
  }));
}

/** @param set the id of a ready set of breakpoints for an empty one */
export async function createProject(name: string, from: 'empty' | 'demo', set?: string): Promise<string> {
  const id = randomUUID();
  const project = from === 'demo' ? demoProject(id, name) : emptyProject(id, name, set);
  await database().transaction(async (transaction) => {
    if (from === 'demo') await putFiles(transaction, shippedFiles());
    await insertProject(transaction, project);
  });
  return id;
}

function emptyProject(id: string, name: string, set: string | undefined): Project {
  const project = newProject(id, name);
  const ready = READY_SETS.find((one) => one.id === set);
  if (!ready) return project;
  let count = 0;
  return applyEdit(project, planReadySet(project, ready, 'replace', () => `bset${++count}`).edit).document;
}

/**
 * A project of its own with everything that another is at present; what led there isn't taken along.
 * @throws HttpError 404 when there is no such project, DamagedProject when its document can't be read
 */
export async function duplicateProject(of: string, name: string): Promise<string> {
  const id = randomUUID();
  await database().transaction(async (transaction) => {
    const { project } = await loadProject(transaction, of);
    await insertProject(transaction, { ...project, id, name });
  });
  return id;
}

export async function renameProject(id: string, name: string): Promise<void> {
  const renamed = await database()
    .update(projects)
    .set({ name, updatedAt: new Date() })
    .where(eq(projects.id, id))
    .returning({ id: projects.id });
  if (renamed.length === 0) throw new HttpError(404, 'There is no such project. It may have been deleted.');
}

/** Puts a project away, or brings it back. */
export async function setDeleted(id: string, deleted: boolean): Promise<void> {
  const changed = await database()
    .update(projects)
    .set({ deletedAt: deleted ? new Date() : null })
    .where(eq(projects.id, id))
    .returning({ id: projects.id });
  if (changed.length === 0) throw new HttpError(404, 'There is no such project.');
}

/** Loads the demo project once: into a database that has never held a project. */
export async function ensureDemo(): Promise<boolean> {
  const [row] = await database().select({ count: count() }).from(projects);
  if (row && row.count > 0) return false;
  await createProject(DEMO_NAME, 'demo');
  return true;
}
