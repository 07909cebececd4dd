import type { CDPSession, Page as BrowserPage } from 'playwright-core';
import { zipSync } from 'fflate';
import type { Page, Project } from '@/core/document';
import { launchChromium } from '@/server/browser/chromium';
import { largePage } from './large-page';
import { longTasks, scrub } from './long-tasks';

const SIZES = [2_000, 5_000];
/** What is wanted of a page of 2,000 elements. */
const WANTED = { open: 2_000, edit: 30, many: 200 };
const MANY = 500;
const ROUNDS = 15;

/** Work that is always the same, objects and boxes alike: how fast this machine is just then, on which all else depends. */
const FIXED_WORK = `(() => {
  const counts = new Map();
  for (let i = 0, x = 1; i < 40_000; i++) {
    x = (x * 16_807) % 2_147_483_647;
    const one = { key: 'k' + (x % 4_000), x };
    counts.set(one.key, (counts.get(one.key) ?? 0) + one.x);
  }
  const box = document.createElement('div');
  box.style.cssText = 'position: absolute; visibility: hidden; width: 300px';
  box.innerHTML = [...counts.keys()].slice(0, 400).map((key) => '<p>' + key + ' <b>' + key + '</b></p>').join('');
  document.body.append(box);
  const { height } = box.getBoundingClientRect();
  box.remove();
  return height;
})()`;

/** Main thread time of a page, ms; the previewed page has a process of its own. */
interface Cost {
  readonly own: number;
  /** With what it waited for others that want the same core: the server, the previewed page, the browser. */
  readonly whole: number;
}

const minus = (a: Cost, b: Cost): Cost => ({ own: a.own - b.own, whole: a.whole - b.whole });

/** So far. @param clocks sessions with a clock of the thread's, and with that on the wall */
async function busy(clocks: readonly [own: CDPSession, whole: CDPSession]): Promise<Cost> {
  const [own, whole] = await Promise.all(
    clocks.map(async (one) => {
      const { metrics } = await one.send('Performance.getMetrics');
      return metrics.find(({ name }) => name === 'TaskDuration')!.value * 1_000;
    }),
  );
  return { own: own!, whole: whole! };
}

const middle = (values: readonly number[]) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;

const drawn = (page: BrowserPage) =>
  page.evaluate('new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))');

/** A page of so many elements and 300 kB of sheets in the workbench: what opening and editing cost. */
async function benchPageOf(size: number): Promise<void> {
  const address = process.env.MILLPOND_URL!;
  const browser = await launchChromium();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.setDefaultTimeout(120_000);
  const text = new TextEncoder();
  const files = largePage(Math.floor((size - 2) / 5));
  const zip = Buffer.from(zipSync(Object.fromEntries(Object.entries(files).map(([path, one]) => [path, text.encode(one)]))));
  const answer = await page.request.post(`${address}/api/projects/bring-in?name=Bench`, {
    headers: { 'content-type': 'application/zip' },
    data: zip,
  });
  const id = /"type":"made","id":"([^"]+)"/.exec(await answer.text())![1]!;
  const stored = (await (await page.request.get(`${address}/api/projects/${id}`)).json()) as { project: Project };
  const { elements } = stored.project.pages[0]! as Page;
  const count = Object.keys(elements).length;
  console.log(`A page of ${count} elements and ${Math.round(files['main.css']!.length / 1_000)} kB of sheets in the workbench:`);
  const ofCard = (n: number) => Object.values(elements).find(({ attributes }) => attributes.id === `c${n}`)!.id;
  await page.addInitScript(() => localStorage.setItem('mill-pond-measuring', 'asked'));
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Performance.enable');
  const thread = await page.context().newCDPSession(page);
  await thread.send('Performance.enable', { timeDomain: 'threadTicks' });
  const clocks = [thread, devtools] as const;
  const frame = () => page.frameLocator('iframe').first();
  const say = (what: string, ms: number, wanted?: number) =>
    console.log(
      `  ${what}: ${ms.toFixed(0)} ms${wanted !== undefined && size === SIZES[0] ? ` (at most ${wanted} is wanted)` : ''}`,
    );

  const sayCost = (what: string, costs: readonly Cost[], wanted?: number) => {
    const [own, whole] = (['own', 'whole'] as const).map((name) => middle(costs.map((one) => one[name])));
    const least = wanted !== undefined && size === SIZES[0] ? ` (at most ${wanted} is wanted)` : '';
    console.log(`  ${what}, main thread: ${own!.toFixed(0)} ms${least}, ${whole!.toFixed(0)} with waiting for others`);
  };

  const opened: number[] = [];
  for (let round = 0; round < 3; round++) {
    const begun = performance.now();
    await page.goto(`${address}/projects/${id}`);
    await frame().locator('.card').first().waitFor();
    await drawn(page);
    opened.push(performance.now() - begun);
  }
  say('opened to its first frame (median of 3)', middle(opened), WANTED.open);

  const saved = () => page.getByText('All saved', { exact: true }).waitFor();
  const first = ofCard(0);
  const row = (of: string) => page.locator(`[role=treeitem][data-row="${of}"]`);
  await row(first).click();
  await page.getByLabel('Find a property').fill('margin-top');
  const field = page.locator('input[data-property="margin-top"]').first();
  await field.waitFor();

  /** Main thread time of something, until nothing is left to do. */
  async function costOf(work: () => Promise<unknown>): Promise<Cost> {
    await page.waitForTimeout(400);
    const before = await busy(clocks);
    await work();
    await page.waitForTimeout(1_000);
    return minus(await busy(clocks), before);
  }
  const quiet = await costOf(async () => undefined);
  const write = async (value: string) => {
    await field.focus();
    await field.fill(value);
    await page.keyboard.press('Enter');
  };
  /** Of the edit itself, once its value stands in the field and what it will reach has been said. */
  const enter = async (value: string): Promise<Cost> => {
    await field.focus();
    await field.fill(value);
    return minus(await costOf(() => page.keyboard.press('Enter')), quiet);
  };
  const edits: Cost[] = [];
  const fixed: Cost[] = [];
  const shown: number[] = [];
  // Whoever works all day has warmed up.
  for (let round = 0; round < ROUNDS; round++) {
    edits.push(await enter(`${11 + round}px`));
    if (round % 3 === 0) fixed.push(minus(await costOf(() => page.evaluate(FIXED_WORK)), quiet));
    const begun = performance.now();
    await write(`${31 + round}px`);
    await page
      .frames()[1]!
      .waitForFunction(([of, value]) => getComputedStyle(document.querySelector(`[data-mp-node="${of}"]`)!).marginTop === value, [
        first,
        `${31 + round}px`,
      ] as const);
    shown.push(performance.now() - begun);
  }
  await saved();
  sayCost('one value', edits, WANTED.edit);
  sayCost('work that is always the same, in between', fixed);
  say('one value, until the page shows it', middle(shown));
  const undone: Cost[] = [];
  for (let round = 0; round < 4; round++) undone.push(minus(await costOf(() => page.keyboard.press('Control+z')), quiet));
  sayCost('undo', undone);

  console.log(`  scrubbing over all widths: ${await longTasks(page, () => scrub(page))}`);
  const step = async () => {
    await field.focus();
    for (let i = 0; i < 30; i++) await page.keyboard.press('ArrowUp');
  };
  console.log(`  stepping a value 30 times: ${await longTasks(page, step)}`);
  const handle = page.locator('[data-handle]').first();
  await handle.waitFor();
  const grip = (await handle.boundingBox())!;
  const drag = async () => {
    await page.mouse.move(grip.x + grip.width / 2, grip.y + grip.height / 2);
    await page.mouse.down();
    for (let i = 1; i <= 60; i++) {
      await page.mouse.move(grip.x + grip.width / 2 + (i % 20), grip.y + grip.height / 2 + (i % 20));
      await page.waitForTimeout(8);
    }
    await page.mouse.up();
  };
  console.log(`  dragging a handle: ${await longTasks(page, drag)}`);

  await row(first).click();
  const last = ofCard(MANY / 5 - 1);
  await row(first).evaluate(
    (element, at) => {
      let list: Element | null = element;
      while (list && !(list.scrollHeight > list.clientHeight && /auto|scroll/.test(getComputedStyle(list).overflowY)))
        list = list.parentElement;
      list!.scrollTop = (list!.scrollHeight * at[0]!) / at[1]!;
    },
    [MANY - 12, count],
  );
  const through = await costOf(() => row(last).click({ modifiers: ['Shift'] }));
  sayCost(`selecting ${MANY} elements`, [minus(through, quiet)]);
  const several: Cost[] = [];
  for (let round = 0; round < 3; round++) several.push(await enter(`${51 + round}px`));
  sayCost(`one value on ${MANY} elements`, several, WANTED.many);
  sayCost('undoing that', [minus(await costOf(() => page.keyboard.press('Control+z')), quiet)]);
  const { usedSize } = await devtools.send('Runtime.getHeapUsage');
  console.log(`  memory of the workbench: ${(usedSize / 1e6).toFixed(0)} MB`);
  await page.request.delete(`${address}/api/projects/${id}`).catch(() => undefined);
  await browser.close();
}

export async function benchWorkbench(): Promise<void> {
  for (const size of SIZES) await benchPageOf(size);
}
