import { randomUUID } from 'node:crypto';
import { and, desc, eq, inArray, lt, ne, or, sql } from 'drizzle-orm';
import type { Finding } from '@/core/audit';
import type { Project } from '@/core/document';
import { kept, readProject } from '@/core/document';
import { database } from '../db/client';
import { auditPages, auditRuns } from '../db/schema';
import { ownTurn } from './own-turn';

/** How long a worker may be silent before its page is given to another, s. */
export const SILENCE_S = 8;
/** How many times a page is tried before it is said to have failed. */
const ATTEMPTS_MOST = 4;
/** How many runs of a project are kept. */
const KEPT = 60;

export interface PageAudit {
  readonly page: string;
  readonly state: 'waiting' | 'running' | 'done' | 'failed';
  readonly attempts: number;
  readonly decided: number;
  readonly layouts: number;
  readonly findings: readonly Finding[];
  /** Why it failed, or what is to be known of it though it is done. */
  readonly problem: string | null;
}

export interface Run {
  readonly id: string;
  readonly revision: number;
  /** ISO 8601. */
  readonly createdAt: string;
  readonly pages: readonly PageAudit[];
}

/** Keeps a project as it is now, to be audited page by page. */
export async function createRun(projectId: string, project: Project, revision: number): Promise<string> {
  const id = randomUUID();
  await database().transaction(async (tx) => {
    await tx.insert(auditRuns).values({ id, projectId, revision, document: kept(project) });
    await tx.insert(auditPages).values(project.pages.map(({ id: pageId }) => ({ runId: id, pageId })));
    const old = await tx
      .select({ id: auditRuns.id })
      .from(auditRuns)
      .where(eq(auditRuns.projectId, projectId))
      .orderBy(desc(auditRuns.createdAt))
      .offset(KEPT);
    if (old.length > 0)
      await tx.delete(auditRuns).where(
        inArray(
          auditRuns.id,
          old.map((one) => one.id),
        ),
      );
  });
  return id;
}

const silent = () => lt(auditPages.heardAt, sql`now() - make_interval(secs => ${SILENCE_S})`);
const mine = (run: string, page: string, attempt: string) =>
  and(eq(auditPages.runId, run), eq(auditPages.pageId, page), eq(auditPages.attempt, attempt), eq(auditPages.state, 'running'));

/** Takes a page for oneself, unless it's done or somebody is heard working on it. The name of the try, or undefined. */
export async function claimPage(run: string, page: string): Promise<string | undefined> {
  const attempt = randomUUID();
  const claimed = await database()
    .update(auditPages)
    .set({ state: 'running', attempt, attempts: sql`${auditPages.attempts} + 1`, heardAt: sql`now()`, decided: 0 })
    .where(
      and(
        eq(auditPages.runId, run),
        eq(auditPages.pageId, page),
        or(eq(auditPages.state, 'waiting'), and(eq(auditPages.state, 'running'), silent())),
      ),
    )
    .returning({ attempts: auditPages.attempts });
  return claimed.length > 0 ? attempt : undefined;
}

/** Says that one is at work still. False once the page has been given to another. */
export async function hear(run: string, page: string, attempt: string, decided: number): Promise<boolean> {
  const heard = await database()
    .update(auditPages)
    .set({ heardAt: sql`now()`, decided })
    .where(mine(run, page, attempt))
    .returning({ page: auditPages.pageId });
  return heard.length > 0;
}

/** Writes what was found; nothing is written when the page has been given to another meanwhile. */
export async function finishPage(
  run: string,
  page: string,
  attempt: string,
  result: {
    readonly findings: readonly Finding[];
    readonly decided: number;
    readonly layouts: number;
    readonly problem?: string | undefined;
    readonly noticed?: string | undefined;
  },
): Promise<boolean> {
  const { findings, decided, layouts, problem, noticed } = result;
  const words = problem ?? noticed ?? null;
  const written = await database()
    .update(auditPages)
    .set({ state: problem ? 'failed' : 'done', findings, decided, layouts, problem: words, finishedAt: sql`now()` })
    .where(mine(run, page, attempt))
    .returning({ page: auditPages.pageId });
  return written.length > 0;
}

/** Pages whose worker has fallen silent, or that nobody has taken up for long: to be put into the queue again. */
export async function lostPages(): Promise<{ run: string; page: string }[]> {
  await database()
    .update(auditPages)
    .set({ state: 'failed', problem: `Given up after ${ATTEMPTS_MOST} tries.`, finishedAt: sql`now()` })
    .where(and(eq(auditPages.state, 'running'), silent(), sql`${auditPages.attempts} >= ${ATTEMPTS_MOST}`));
  const lost = await database()
    .update(auditPages)
    .set({ state: 'waiting', attempt: null })
    .where(and(eq(auditPages.state, 'running'), silent()))
    .returning({ run: auditPages.runId, page: auditPages.pageId });
  // Ordered, but the order may have got lost on its way. Sent twice does no harm: only one can claim it.
  const forgotten = await database()
    .update(auditPages)
    .set({ heardAt: sql`now()` })
    .where(
      and(
        eq(auditPages.state, 'waiting'),
        sql`coalesce(${auditPages.heardAt}, (select ${auditRuns.createdAt} from ${auditRuns} where ${auditRuns.id} = ${auditPages.runId})) < now() - interval '120 seconds'`,
      ),
    )
    .returning({ run: auditPages.runId, page: auditPages.pageId });
  return [...lost, ...forgotten];
}

export async function projectOfRun(run: string): Promise<Project | undefined> {
  const [row] = await database().select({ document: auditRuns.document }).from(auditRuns).where(eq(auditRuns.id, run));
  await ownTurn();
  return row && readProject(row.document);
}

/** The runs of a project, newest first, with all that was found. */
export async function listRuns(projectId: string, most = 30): Promise<Run[]> {
  const runs = await database()
    .select({ id: auditRuns.id, revision: auditRuns.revision, createdAt: auditRuns.createdAt })
    .from(auditRuns)
    .where(eq(auditRuns.projectId, projectId))
    .orderBy(desc(auditRuns.createdAt))
    .limit(most);
  if (runs.length === 0) return [];
  const pages = await database()
    .select()
    .from(auditPages)
    .where(
      inArray(
        auditPages.runId,
        runs.map(({ id }) => id),
      ),
    );
  return runs.map(({ id, revision, createdAt }) => ({
    id,
    revision,
    createdAt: createdAt.toISOString(),
    pages: pages
      .filter(({ runId }) => runId === id)
      .map((one) => ({
        page: one.pageId,
        state: one.state,
        attempts: one.attempts,
        decided: one.decided,
        layouts: one.layouts,
        findings: (one.findings ?? []) as Finding[],
        problem: one.problem,
      })),
  }));
}

/** Ends what hasn't been done of a run. */
export async function stopRun(projectId: string, run: string): Promise<void> {
  const [found] = await database()
    .select({ id: auditRuns.id })
    .from(auditRuns)
    .where(and(eq(auditRuns.id, run), eq(auditRuns.projectId, projectId)));
  if (!found) return;
  await database()
    .update(auditPages)
    .set({ state: 'failed', problem: 'Stopped.', attempt: null, finishedAt: sql`now()` })
    .where(and(eq(auditPages.runId, run), ne(auditPages.state, 'done'), ne(auditPages.state, 'failed')));
}
