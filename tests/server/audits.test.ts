import { sql } from 'drizzle-orm';
import { database } from '@/server/db/client';
import {
  claimPage,
  createRun,
  finishPage,
  hear,
  listRuns,
  lostPages,
  projectOfRun,
  SILENCE_S,
  stopRun,
} from '@/server/store/audits';
import { loadProject } from '@/server/store/documents';
import { closeDatabase, newDemo } from './projects';

jest.mock('@/server/logging/log', () => ({ log: { error: jest.fn(), warn: jest.fn(), info: jest.fn() } }));

afterAll(closeDatabase);

const RESULT = { findings: [], decided: 10, layouts: 3 };

async function order() {
  const id = await newDemo();
  const { project, revision } = await loadProject(database(), id);
  return { id, project, run: await createRun(id, project, revision) };
}

const silence = (run: string, page: string) =>
  database().execute(
    sql`update audit_pages set heard_at = now() - make_interval(secs => ${SILENCE_S + 1}) where run_id = ${run} and page_id = ${page}`,
  );

test('a run keeps the project as it was, and one worker takes each page', async () => {
  const { id, project, run } = await order();
  expect(await projectOfRun(run)).toEqual(project);
  const attempt = await claimPage(run, 'gfront');
  expect([typeof attempt, await claimPage(run, 'gfront')]).toEqual(['string', undefined]);
  expect(await hear(run, 'gfront', attempt!, 5)).toBe(true);
  expect(await finishPage(run, 'gfront', attempt!, RESULT)).toBe(true);
  expect(await claimPage(run, 'gfront')).toBeUndefined();
  const [listed] = await listRuns(id);
  expect(listed!.pages.find(({ page }) => page === 'gfront')).toMatchObject({ state: 'done', decided: 10, attempts: 1 });
  expect(listed!.pages.filter(({ state }) => state === 'waiting')).toHaveLength(project.pages.length - 1);
});

test('a worker that fell silent loses its page to another, and writes nothing afterwards', async () => {
  const { id, run } = await order();
  const first = (await claimPage(run, 'gfront'))!;
  await silence(run, 'gfront');
  expect(await lostPages()).toContainEqual({ run, page: 'gfront' });
  const second = (await claimPage(run, 'gfront'))!;
  expect(await hear(run, 'gfront', first, 9)).toBe(false);
  expect(await finishPage(run, 'gfront', first, RESULT)).toBe(false);
  expect(await finishPage(run, 'gfront', second, { ...RESULT, problem: 'It took too long.' })).toBe(true);
  const page = (await listRuns(id))[0]!.pages.find((one) => one.page === 'gfront');
  expect(page).toMatchObject({ state: 'failed', problem: 'It took too long.', attempts: 2 });
});

test('what is to be known of a page that is done is kept with it, and it is done all the same', async () => {
  const { id, run } = await order();
  const attempt = (await claimPage(run, 'gfront'))!;
  await finishPage(run, 'gfront', attempt, { ...RESULT, noticed: 'At 700 px it was worked out otherwise.' });
  const page = (await listRuns(id))[0]!.pages.find((one) => one.page === 'gfront');
  expect(page).toMatchObject({ state: 'done', problem: 'At 700 px it was worked out otherwise.' });
});

test('a page that kills its workers is given up after four tries', async () => {
  const { id, run } = await order();
  for (let attempt = 0; attempt < 4; attempt++) {
    expect(await claimPage(run, 'gfront')).toBeDefined();
    await silence(run, 'gfront');
    await lostPages();
  }
  expect(await claimPage(run, 'gfront')).toBeUndefined();
  const page = (await listRuns(id))[0]!.pages.find((one) => one.page === 'gfront');
  expect(page).toMatchObject({ state: 'failed', problem: expect.stringMatching(/4 tries/) as unknown });
});

test('stopping a run ends what is not done, of the project it belongs to only', async () => {
  const { id, run } = await order();
  const attempt = (await claimPage(run, 'gfront'))!;
  await finishPage(run, 'gfront', attempt, RESULT);
  await stopRun(await newDemo(), run);
  expect((await listRuns(id))[0]!.pages.some(({ state }) => state === 'failed')).toBe(false);
  await stopRun(id, run);
  const states = (await listRuns(id))[0]!.pages.map(({ page, state }) => [page, state]);
  expect(states.filter(([, state]) => state === 'done')).toEqual([['gfront', 'done']]);
  expect(states.filter(([, state]) => state === 'failed')).toHaveLength(states.length - 1);
});
