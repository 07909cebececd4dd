import { randomUUID } from 'node:crypto';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import { closeBrowser } from '@/server/browser/warm-browser';
import { database } from '@/server/db/client';
import { orderAudit, workOnAudits } from '@/server/jobs/audit-jobs';
import { digestsOf, orderPictures } from '@/server/jobs/picture-jobs';
import { queue } from '@/server/jobs/queue';
import { claimPage, listRuns } from '@/server/store/audits';
import { loadProject } from '@/server/store/documents';
import { knownPictures, pictureBytes } from '@/server/store/page-pictures';
import { closeDatabase, make, newEmpty } from './projects';

jest.mock('@/server/logging/log', () => ({ log: { error: jest.fn(), warn: jest.fn(), info: jest.fn() } }));
afterAll(async () => {
  await (await queue()).stop({ graceful: false });
  await closeBrowser();
  await closeDatabase();
});

async function until<T>(ask: () => Promise<T | undefined>, what: string): Promise<T> {
  for (let waited = 0; waited < 60_000; waited += 200) {
    const answer = await ask();
    if (answer !== undefined) return answer;
    await new Promise((done) => setTimeout(done, 200));
  }
  throw new Error(`It never came to: ${what}`);
}

const SHOT = { viewport: { ...DEFAULT_SLICE, width: 400, height: 300 }, scrollbar: 'overlay' as const };

test('pictures are made by the queue for what the page shows, and not again while it shows the same', async () => {
  const id = await newEmpty();
  const digest = async () => {
    const { project } = await loadProject(database(), id);
    return digestsOf(project, project.pages[0]!)(SHOT);
  };
  const first = await digest();
  await orderPictures(id, 'gfirst', [{ ...SHOT, digest: first }]);
  await until(async () => ((await knownPictures([first])).has(first) ? true : undefined), 'the picture');
  const png = await pictureBytes(first);
  expect([...png.subarray(1, 4)].map((byte) => String.fromCharCode(byte)).join('')).toBe('PNG');
  await make(id, { type: 'renameElement', node: 'efirsth', name: 'Another name' });
  expect(await digest()).toBe(first);
  await make(id, { type: 'setText', node: 'efirsth', text: 'Another text' });
  expect(await digest()).not.toBe(first);
  // What was ordered for what the page no longer shows is not made.
  const old = randomUUID().replaceAll('-', '');
  await orderPictures(id, 'gfirst', [
    { ...SHOT, digest: old },
    { ...SHOT, digest: await digest() },
  ]);
  const second = await digest();
  await until(async () => ((await knownPictures([second])).has(second) ? true : undefined), 'the second picture');
  expect((await knownPictures([old])).size).toBe(0);
}, 120_000);

test('an audit that is ordered is worked on page by page, and what was found is kept with its run', async () => {
  const id = await newEmpty();
  await make(id, { type: 'setStyle', owner: 'efirsth', at: 'base', property: 'width', value: '2400px' });
  const { project, revision } = await loadProject(database(), id);
  // In no set of devices: only the few views that don't need them, so that it is soon done.
  const run = await orderAudit(id, { ...project, deviceSets: [] }, revision);
  await workOnAudits();
  const page = await until(async () => {
    const [one] = (await listRuns(id))[0]!.pages;
    return one!.state === 'done' || one!.state === 'failed' ? one : undefined;
  }, 'the end of the audit');
  expect(page).toMatchObject({ state: 'done', problem: null, attempts: 1 });
  expect(page.findings.find(({ check }) => check === 'sideways-scroll')?.widths).toEqual([{ from: 320, below: 1921 }]);
  expect(page.decided).toBeGreaterThanOrEqual(3 * 1601);
  // Done is done: nobody takes it up again.
  expect(await claimPage(run, 'gfirst')).toBeUndefined();
}, 120_000);
