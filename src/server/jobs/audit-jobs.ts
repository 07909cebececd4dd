import { auditPage } from '../browser/audit-page';
import { log } from '../logging/log';
import type { Project } from '@/core/document';
import { pageOf } from '@/core/document';
import { claimPage, createRun, finishPage, hear, lostPages, projectOfRun } from '../store/audits';
import { queue } from './queue';

interface AuditJob {
  readonly run: string;
  readonly page: string;
}

const QUEUE = 'audit-pages';
/** Longer than any audit of a page may take, waiting for turns included, s. */
const EXPIRE_S = 6 * 3600;
/** How often a worker says that it is there, and looks for pages whose worker no longer does, ms. */
const HEARD_EVERY_MS = 1_500;
const WATCH_EVERY_MS = 2_500;

let working: Promise<void> | undefined;

/** Takes pages from the queue in this process, one at a time, for as long as it runs. */
export function workOnAudits(): Promise<void> {
  working ??= begin();
  working.catch((error: unknown) => {
    log.error({ error }, 'audit worker');
    working = undefined;
  });
  return working;
}

async function begin(): Promise<void> {
  const boss = await queue();
  await boss.createQueue(QUEUE);
  await boss.work<AuditJob>(QUEUE, { batchSize: 1, pollingIntervalSeconds: 0.5 }, async ([job]) => {
    if (job) await workOn(job.data);
  });
  const watch = setInterval(
    () => void takeUpLost().catch((error: unknown) => log.error({ error }, 'lost pages')),
    WATCH_EVERY_MS,
  );
  watch.unref?.();
}

async function workOn({ run, page: pageId }: AuditJob): Promise<void> {
  const project = await projectOfRun(run);
  const page = project && pageOf(project, pageId);
  const attempt = page && (await claimPage(run, pageId));
  // Done already, or in somebody's hands.
  if (!project || !page || !attempt) return;
  let decided = 0;
  let stillMine = true;
  const beat = setInterval(() => {
    hear(run, pageId, attempt, decided).then(
      (known) => (stillMine = known),
      (error: unknown) => log.error({ error }, 'audit heartbeat'),
    );
  }, HEARD_EVERY_MS);
  try {
    const result = await auditPage(project, page, (now) => {
      decided = now;
      return Promise.resolve(stillMine);
    });
    if (result) await finishPage(run, pageId, attempt, result);
  } finally {
    clearInterval(beat);
  }
}

async function send(job: AuditJob): Promise<void> {
  const boss = await queue();
  await boss.createQueue(QUEUE);
  // Who works on a page says so itself, and how long it may take is said where it's done.
  await boss.send(QUEUE, job, { retryLimit: 2, expireInSeconds: EXPIRE_S });
}

/** Puts pages of workers that have gone back into the queue. */
async function takeUpLost(): Promise<void> {
  for (const { run, page } of await lostPages()) await send({ run, page });
}

/** Orders an audit of all pages of a project as it is. The run's id. */
export async function orderAudit(projectId: string, project: Project, revision: number): Promise<string> {
  const run = await createRun(projectId, project, revision);
  for (const { id: page } of project.pages) await send({ run, page });
  return run;
}
