import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { existsSync, mkdtempSync, writeFileSync } from 'node:fs';
import { getPriority, tmpdir } from 'node:os';
import { join } from 'node:path';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import type { Finding } from '@/core/audit';
import { planOf, unpacked } from '@/core/audit';
import type { Project } from '@/core/document';
import { applyEdit } from '@/core/edits';
import { auditPage } from '@/server/browser/audit-page';
import { turns } from '@/server/browser/lanes';
import { MeasuredPage, measuringTabs, POLICY } from '@/server/browser/measuring';
import { pictureFinding } from '@/server/browser/picture';
import { makeSheet } from '@/server/browser/picture-sheet';
import type { SweepLine } from '@/server/browser/sweep';
import { sweep } from '@/server/browser/sweep';
import { Tab } from '@/server/browser/tab';
import { tried } from '@/server/browser/tries';
import { Aborted } from '@/server/browser/turns';
import { browserAnswers, browserProcesses, closeBrowser, warmBrowser } from '@/server/browser/warm-browser';
import { demoProject } from '@/demo';

jest.mock('@/server/logging/log', () => ({ log: { error: jest.fn(), warn: jest.fn(), info: jest.fn() } }));
afterAll(closeBrowser);

beforeAll(() => {
  process.env.MILLPOND_SILENT_MS = '2500';
});
afterAll(() => {
  delete process.env.MILLPOND_SILENT_MS;
});

const project = demoProject('00000000-0000-4000-8000-000000000001', 'Demo');
const page = project.pages[0]!;
const never = new AbortController().signal;
const finding = {
  key: 'k',
  check: 'small-text',
  severity: 'note',
  element: page.root,
  widths: [{ from: 320, below: 400 }],
  worst: { width: 320, violation: { element: page.root, amount: 1, measured: {}, others: [] } },
} as unknown as Finding;

const pidOf = async (type: string) => (await browserProcesses()).filter((one) => one.type === type).map(({ id }) => id);
const signalAll = (pids: readonly number[], signal: NodeJS.Signals) => pids.forEach((pid) => process.kill(pid, signal));

async function sweepOnce(widths: readonly number[], meanwhile?: () => Promise<void>) {
  const lines: SweepLine[] = [];
  const wishes = [{ ...planOf(project, DEFAULT_SLICE)[0]!, widths }];
  for await (const line of sweep(project, page, DEFAULT_SLICE, wishes, 320, never)) {
    lines.push(line);
    if (lines.length > 1 || !meanwhile) continue;
    // Else there would be nothing left to go on with.
    expect(line.type === 'results' && unpacked(line.results).length < widths.length).toBe(true);
    await meanwhile();
  }
  const decided = lines.flatMap((line) => (line.type === 'results' ? unpacked(line.results) : [])).length;
  return { last: lines[lines.length - 1], decided };
}
const WIDTHS = Array.from({ length: 1600 }, (_, i) => 320 + i);
const whole = { last: { type: 'done' }, decided: WIDTHS.length };

test.each([
  ['the browser is killed', async () => signalAll(await pidOf('browser'), 'SIGKILL')],
  ['the browser stands still', async () => signalAll(await pidOf('browser'), 'SIGSTOP')],
  ['its tabs are killed', async () => signalAll(await pidOf('renderer'), 'SIGKILL')],
  ['its tabs stand still', async () => signalAll(await pidOf('renderer'), 'SIGSTOP')],
])('a sweep goes on when %s, each width decided once', async (_, harm) => {
  expect(await sweepOnce(WIDTHS, harm)).toEqual(whole);
  // And the next one needs no restart.
  expect(await sweepOnce([320])).toEqual({ last: { type: 'done' }, decided: 1 });
});

test('the browser killed while a finding is pictured: the picture comes all the same, and no turn is lost', async () => {
  await warmBrowser();
  const pictures = [1, 2, 3, 4].map(() => pictureFinding(project, page, finding, never));
  signalAll(await pidOf('browser'), 'SIGKILL');
  for (const png of await Promise.all(pictures)) expect(png.subarray(1, 4).toString('latin1')).toBe('PNG');
  await expect(turns.run({ urgency: 'now', waitMostMs: 1_000 }, () => Promise.resolve(1))).resolves.toBe(1);
});

test('all processes of the browser stand back behind this one', async () => {
  await measuringTabs.use((tab) => tab.ask((one) => one.evaluate('1')));
  await browserAnswers();
  const niceness = (await browserProcesses()).map(({ id }) => getPriority(id));
  expect([...new Set(niceness)]).toEqual([Math.min(19, getPriority() + 5)]);
});

test('a tab that crashed while it waited is not given to the next', async () => {
  await measuringTabs.use((tab) => tab.ask((one) => one.evaluate('1')));
  signalAll(await pidOf('renderer'), 'SIGKILL');
  await expect(measuringTabs.use((tab) => tab.ask((one) => one.evaluate('1 + 1')))).resolves.toBe(2);
});

test('a fault of what was asked is no trouble of the tab’s and not tried again', async () => {
  let asked = 0;
  const asking = tried('It failed', () =>
    measuringTabs.use((tab) =>
      tab.ask((one) => {
        asked++;
        return one.evaluate('nothing.here');
      }),
    ),
  );
  await expect(asking).rejects.toThrow(/nothing is not defined/);
  expect(asked).toBe(1);
});

test('the measuring browser fetches nothing, whatever a page asks for, and doesn’t even connect', async () => {
  const [asked, connected]: [string[], unknown[]] = [[], []];
  const server = createServer((request, response) => {
    asked.push(request.url!);
    response.end();
  });
  server.on('connection', () => connected.push(1));
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const wanting = `<style>body { background: url(${address}/back) } @font-face { font-family: x; src: url(${address}/font) }</style>
    <body style="font-family: x">Text<img src="${address}/image" srcset="${address}/set 2x"><iframe src="${address}/frame"></iframe>
    <video poster="${address}/poster"></video><object data="${address}/object"></object><svg><image href="${address}/svg"/></svg>`;
  const pause = () => new Promise((done) => setTimeout(done, 500));
  try {
    // The second without the policy that every measured page has: the tab and the browser see to it by themselves.
    for (const policy of [POLICY, '']) {
      const measured = await MeasuredPage.openHtml(`<!doctype html><head>${policy}${wanting}`, []);
      await pause();
      await measured.close();
    }
    expect({ asked, connected }).toEqual({ asked: [], connected: [] });
  } finally {
    server.closeAllConnections();
    server.close();
  }
});

test('a tab that hangs is given up, and what for is said after three tries', async () => {
  let opened = 0;
  const asking = tried('“Front” could not be measured', async () => {
    const browserPage = await (await warmBrowser()).newPage();
    opened++;
    const tab = new Tab(browserPage, undefined, 500);
    try {
      await tab.ask((one) => one.evaluate('for (;;);'));
    } finally {
      await tab.close();
    }
  });
  await expect(asking).rejects.toMatchObject({
    status: 503,
    message: expect.stringMatching(/“Front” could not be measured: .*no answer.* tried 3 times/) as unknown,
  });
  expect(opened).toBe(3);
});

test('an audit reports a page whose styles make its layout explode, and goes on with the next', async () => {
  const { document: deep } = explode(project);
  const audited = await auditPage(deep, deep.pages[0]!, () => Promise.resolve(true));
  expect(audited?.problem).toMatch(/“Front page” could not be measured: .*no answer.* tried 3 times/);
  const next = await auditPage(project, page, (decided) => Promise.resolve(decided < 50));
  // Ended by whoever listened, after it had got on.
  expect(next).toBeUndefined();
});

test('a sheet that nobody waits for any more is not made to its end', async () => {
  const stop = new AbortController();
  const devices = Array.from({ length: 20 }, (_, i) => ({
    title: `Device ${i}`,
    note: '',
    viewport: { ...DEFAULT_SLICE, width: 1_200 + i, height: 2_000 },
    scrollbar: 'overlay' as const,
  }));
  const wish = { format: 'png' as const, title: 'Large', whole: true, density: 1, zoom: 0.3 };
  const begun = performance.now();
  const making = makeSheet(project, page, devices, wish, stop.signal);
  setTimeout(() => stop.abort(), 300);
  await expect(making).rejects.toThrow(Aborted);
  const left = performance.now() - begun;
  await expect(turns.run({ urgency: 'now', waitMostMs: 2_000 }, () => Promise.resolve(1))).resolves.toBe(1);
  const whole = performance.now();
  await makeSheet(project, page, devices, wish, never);
  expect(left).toBeLessThan((performance.now() - whole) / 2);
});

test('a Chromium that can not be started is said to be so, and is started as soon as it can be', async () => {
  await closeBrowser();
  const folder = mkdtempSync(join(tmpdir(), 'mill-pond-'));
  const broken = join(folder, 'chromium');
  writeFileSync(broken, '#!/bin/sh\nexit 1\n', { mode: 0o755 });
  expect(existsSync(broken)).toBe(true);
  process.env.MILLPOND_CHROMIUM = broken;
  try {
    expect((await sweepOnce([320])).last).toMatchObject({
      type: 'failed',
      message: expect.stringMatching(/could not be measured: Chromium could not be started/) as unknown,
    });
  } finally {
    delete process.env.MILLPOND_CHROMIUM;
  }
  expect(await sweepOnce([320])).toEqual({ last: { type: 'done' }, decided: 1 });
});

/** Columns in columns, each as high as half of what it stands in: every level is laid out again and again by the one above. */
function explode(from: Project) {
  const depth = 16;
  const elements = Array.from({ length: depth }, (_, i) => ({
    id: `edeep${i}`,
    tag: 'div',
    name: `Deep ${i}`,
    attributes: {},
    children:
      i + 1 < depth ? [`edeep${i + 1}`] : [{ text: 'So many words that they have to wrap somewhere, and so on and on and on.' }],
    shared: [],
    styles: { base: { 'column-count': '2', height: '50%' } },
  }));
  const { id, root } = from.pages[0]!;
  return applyEdit(from, { type: 'insertElement', page: id, parent: root, index: 0, elements } as never);
}
