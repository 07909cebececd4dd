import { and, desc, eq, lte, sql } from 'drizzle-orm';
import type { Project } from '@/core/document';
import { kept, readProject, SCHEMA_VERSION } from '@/core/document';
import type { Connection } from '../db/client';
import { projectParts, projects } from '../db/schema';
import { ownTurn } from './own-turn';

/*
 * A document is kept in parts, each only where it differs from the one before: `project` (all that is small, and the
 * ids of the pages in order), `sheets`, `pictures`, `blocks`, `parts`,
 * `tables`, `arranged`, `recipes`, and `page <id>`. A snapshot is a revision at which the
 * `project` part was written.
 */

const LARGE = ['sheets', 'pictures', 'blocks', 'parts', 'tables', 'arranged', 'recipes'] as const;
/** How many of the last snapshots stay; the first one always does. */
const KEPT = 4;

type Parts = ReadonlyMap<string, unknown>;

function partsOf(shown: Project): Parts {
  const { pages, ...project } = kept(shown);
  const small: Record<string, unknown> = { ...project, pages: pages.map(({ id }) => id) };
  for (const part of LARGE) delete small[part];
  return new Map<string, unknown>([
    ['project', small],
    ...LARGE.map((part) => [part, project[part]] as const),
    ...pages.map((page) => [`page ${page.id}`, page] as const),
  ]);
}

/** Writes the parts of a document that aren't those of an earlier one, as the newest snapshot. */
export async function writeSnapshot(connection: Connection, project: Project, revision: number, before?: Project): Promise<void> {
  const old = before ? partsOf(before) : new Map<string, unknown>();
  const rows = [...partsOf(project)]
    .filter(([part, document]) => part === 'project' || old.get(part) !== document)
    .map(([part, document]) => ({ projectId: project.id, part, revision, document }));
  await connection.insert(projectParts).values(rows).onConflictDoNothing();
  await connection
    .update(projects)
    .set({ snapshot: revision, pageCount: project.pages.length, breakpointCount: project.breakpoints.length })
    .where(eq(projects.id, project.id));
  await thinOut(connection, project.id);
}

/** The revisions of the snapshots that are there, newest first. */
export async function snapshotsOf(connection: Connection, projectId: string): Promise<number[]> {
  const rows = await connection
    .select({ revision: projectParts.revision })
    .from(projectParts)
    .where(and(eq(projectParts.projectId, projectId), eq(projectParts.part, 'project')))
    .orderBy(desc(projectParts.revision));
  return rows.map(({ revision }) => revision);
}

/** A document as it was stored, read by nobody yet. */
export async function rawSnapshot(connection: Connection, projectId: string, revision: number): Promise<unknown> {
  const rows = await connection
    .selectDistinctOn([projectParts.part], { part: projectParts.part, document: projectParts.document })
    .from(projectParts)
    .where(and(eq(projectParts.projectId, projectId), lte(projectParts.revision, revision)))
    .orderBy(projectParts.part, desc(projectParts.revision));
  const parts = new Map(rows.map(({ part, document }) => [part, document]));
  const project = (parts.get('project') ?? {}) as Record<string, unknown>;
  const pages = Array.isArray(project.pages) ? (project.pages as unknown[]) : [];
  return {
    ...project,
    id: projectId,
    ...Object.fromEntries(LARGE.flatMap((part) => (parts.has(part) ? [[part, parts.get(part)]] : []))),
    pages: pages.map((id) => parts.get(`page ${String(id)}`)),
  };
}

/** The oldest schema of which documents were kept in parts. */
const IN_PARTS = 5;

export interface ReadSnapshot {
  readonly project: Project;
  /** Whether every part is stored as it was read; else the next snapshot has to write all of them. */
  readonly asStored: boolean;
}

/** @throws UnreadableProject */
export async function readSnapshot(connection: Connection, projectId: string, revision: number): Promise<ReadSnapshot> {
  const raw = (await rawSnapshot(connection, projectId, revision)) as Record<string, unknown>;
  await ownTurn();
  try {
    return { project: readProject(raw), asStored: raw.schema === SCHEMA_VERSION };
  } catch (error) {
    // Earlier versions stored what differed in the form of their schema, and left the other parts in that of the one before.
    const mixed = typeof raw.schema === 'number' && raw.schema > IN_PARTS && raw.schema <= SCHEMA_VERSION;
    const project = mixed ? readOrNone({ ...raw, schema: IN_PARTS }) : undefined;
    if (!project) throw error;
    return { project, asStored: false };
  }
}

function readOrNone(raw: unknown): Project | undefined {
  try {
    return readProject(raw);
  } catch {
    return undefined;
  }
}

/** Forgets parts that only snapshots between the first and the last few would need. */
async function thinOut(connection: Connection, projectId: string): Promise<void> {
  const snapshots = await snapshotsOf(connection, projectId);
  const oldest = snapshots[KEPT - 1];
  const first = snapshots[snapshots.length - 1];
  if (oldest === undefined || first === undefined || snapshots.length <= KEPT + 1) return;
  await connection.execute(sql`
    delete from ${projectParts} part
    where part.project_id = ${projectId} and part.revision > ${first} and part.revision < ${oldest}
      and (part.part = 'project' or exists (
        select 1 from ${projectParts} later
        where later.project_id = part.project_id and later.part = part.part
          and later.revision > part.revision and later.revision <= ${oldest}))`);
}
