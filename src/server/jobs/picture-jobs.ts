import { createHash } from 'node:crypto';
import type { Page, Project } from '@/core/document';
import { pageOf } from '@/core/document';
import type { Shot } from '@/core/lineup';
import { seenBy } from '@/core/render';
import { picturePage } from '../browser/picture';
import { database } from '../db/client';
import { log } from '../logging/log';
import { loadProject } from '../store/documents';
import { keepPicture, knownPictures, letGoOfOld } from '../store/page-pictures';
import { queue } from './queue';

interface PictureJob {
  readonly projectId: string;
  readonly pageId: string;
  readonly shots: readonly (Shot & { readonly digest: string })[];
}

const QUEUE = 'page-pictures';
/** Raised when pictures of the same content would come out otherwise. */
const MAKE = 2;

/** Names the picture of a page on any device by a digest of what it shows. */
export function digestsOf(project: Project, page: Page): (shot: Shot) => string {
  const seen = seenBy(project, page);
  // What is counted as wrong follows what the project asks for.
  const asked = JSON.stringify([
    project.audit.checks,
    Object.values(page.elements)
      .filter(({ first }) => first)
      .map(({ id }) => id),
  ]);
  return ({ viewport, scrollbar }) =>
    createHash('sha256')
      .update(`${MAKE} ${scrollbar} ${asked} ${seen(viewport)}`)
      .digest('hex')
      .slice(0, 40);
}

let working: Promise<unknown> | undefined;

/** Takes jobs from the queue in this process too. */
async function work(): Promise<void> {
  const boss = await queue();
  await boss.createQueue(QUEUE);
  await boss.work<PictureJob>(QUEUE, { batchSize: 1, pollingIntervalSeconds: 0.5 }, async ([job]) => {
    if (job) await makePictures(job.data);
  });
}

async function makePictures({ projectId, pageId, shots }: PictureJob): Promise<void> {
  const { project } = await loadProject(database(), projectId);
  const page = pageOf(project, pageId);
  if (!page) return;
  const known = await knownPictures(shots.map(({ digest }) => digest));
  // What has changed since is asked for anew by whoever looks at it.
  const digest = digestsOf(project, page);
  const wanted = shots.filter((shot) => !known.has(shot.digest) && digest(shot) === shot.digest);
  await picturePage(project, page, wanted, ({ digest }, png, findings) => keepPicture(digest, png, findings));
  await letGoOfOld();
}

/** Has pictures made of a page, those of it that aren't on their way already. */
export async function orderPictures(projectId: string, pageId: string, shots: PictureJob['shots']): Promise<void> {
  working ??= work();
  working.catch((error: unknown) => {
    log.error({ error }, 'picture worker');
    working = undefined;
  });
  await working;
  const boss = await queue();
  const job: PictureJob = { projectId, pageId, shots };
  // The same order isn't put in a second time while the first one waits or is under way.
  const key = createHash('sha256').update(JSON.stringify(job)).digest('hex').slice(0, 32);
  await boss.send(QUEUE, job, { singletonKey: key, singletonSeconds: 30, retryLimit: 2, expireInSeconds: 120 });
}
