import { and, asc, eq, isNull } from 'drizzle-orm';
import type { Page, Project } from '@/core/document';
import { readProject } from '@/core/document';
import type { Database } from '../db/client';
import { database } from '../db/client';
import { pages, projects } from '../db/schema';
import { HttpError } from '../http/errors';

/** The database or a transaction in it. */
export type Connection = Database | Parameters<Parameters<Database['transaction']>[0]>[0];

export interface StoredProject {
  readonly project: Project;
  readonly revision: number;
}

/** @throws HttpError 404 when there is no such project, or it is deleted. */
export async function loadProject(connection: Connection, id: string, lock = false): Promise<StoredProject> {
  const query = connection
    .select()
    .from(projects)
    .where(and(eq(projects.id, id), isNull(projects.deletedAt)));
  const [row] = await (lock ? query.for('update') : query);
  if (!row) throw new HttpError(404, 'There is no such project. It may have been deleted.');
  const rows = await connection.select().from(pages).where(eq(pages.projectId, id)).orderBy(asc(pages.position));
  const project = readProject({
    ...(row.document as object),
    id,
    name: row.name,
    pages: rows.map((page) => page.document),
  });
  return { project, revision: row.revision };
}

function withoutPages({ pages: _, ...rest }: Project): Omit<Project, 'pages'> {
  return rest;
}

const pageRow = (project: Project, page: Page, position: number, revision: number) => ({
  id: page.id,
  projectId: project.id,
  position,
  name: page.name,
  document: page,
  revision,
});

export async function insertProject(connection: Connection, project: Project): Promise<void> {
  await connection.insert(projects).values({ id: project.id, name: project.name, document: withoutPages(project) });
  await connection.insert(pages).values(project.pages.map((page, position) => pageRow(project, page, position, 0)));
}

/** Writes what differs between two versions of a project: its own row always, pages only where they changed. */
export async function updateProject(
  connection: Connection,
  before: Project,
  after: Project,
  revision: number,
): Promise<void> {
  await connection
    .update(projects)
    .set({ name: after.name, document: withoutPages(after), revision, updatedAt: new Date() })
    .where(eq(projects.id, after.id));
  const old = new Map(before.pages.map((page, position) => [page.id, { page, position }]));
  for (const [position, page] of after.pages.entries()) {
    const known = old.get(page.id);
    old.delete(page.id);
    if (known?.page === page && known.position === position) continue;
    const row = pageRow(after, page, position, revision);
    await connection
      .insert(pages)
      .values(row)
      .onConflictDoUpdate({ target: [pages.projectId, pages.id], set: row });
  }
  for (const id of old.keys())
    await connection.delete(pages).where(and(eq(pages.projectId, after.id), eq(pages.id, id)));
}

/**
 * A page of a project as it is now.
 * @throws HttpError 409 when the caller shows another revision, 404 when there is no such page
 */
export async function pageAtRevision(
  id: string,
  revision: number,
  pageId: string,
): Promise<{ project: Project; page: Page }> {
  const stored = await loadProject(database(), id);
  if (stored.revision !== revision) throw new HttpError(409, 'The project has changed since; ask again.');
  const page = stored.project.pages.find((one) => one.id === pageId);
  if (!page) throw new HttpError(404, 'There is no such page.');
  return { project: stored.project, page };
}
