import type { Page } from 'playwright-core';

/** What people feel, ms. */
const LONG = 50;

/** A task of the main thread, ms. */
interface Task {
  /** What the thread itself was busy. */
  readonly own: number;
  /** By the clock: with what others took of the same core meanwhile. */
  readonly whole: number;
}

interface Traced {
  readonly name: string;
  readonly pid: number;
  readonly tid: number;
  readonly dur?: number;
  readonly tdur?: number;
  readonly args: {
    readonly name?: string;
    readonly data?: { readonly frames?: readonly { readonly url: string; readonly processId: number }[] };
  };
}

/** The tasks of a page's main thread while the work goes on; previewed pages have processes of their own. */
async function tasksOf(page: Page, work: () => Promise<void>): Promise<readonly Task[]> {
  const browser = page.context().browser()!;
  await browser.startTracing(page, { categories: ['toplevel', 'disabled-by-default-devtools.timeline', 'devtools.timeline'] });
  await work();
  await page.waitForTimeout(300);
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString()) as { traceEvents: readonly Traced[] };
  const renderer = traceEvents.flatMap(({ args }) => args.data?.frames ?? []).find(({ url }) => url === page.url())!.processId;
  const main = traceEvents.find(
    ({ name, pid, args }) => name === 'thread_name' && pid === renderer && args.name === 'CrRendererMain',
  )!.tid;
  return traceEvents
    .filter(({ name, pid, tid }) => name === 'RunTask' && pid === renderer && tid === main)
    .map(({ dur = 0, tdur = 0 }) => ({ own: tdur / 1_000, whole: dur / 1_000 }));
}

/**
 * The longest task of each time that the work is done, in words. A task of ours comes again each time; where this machine's
 * cores were taken away in the midst of one, any task seems long, by the thread's clock, too.
 */
export async function longTasks(page: Page, work: () => Promise<void>, times = 5): Promise<string> {
  const longest: Task[] = [];
  for (let time = 0; time < times; time++) {
    const tasks = await tasksOf(page, work);
    const of = (name: keyof Task) => Math.max(0, ...tasks.map((task) => task[name]));
    longest.push({ own: of('own'), whole: of('whole') });
  }
  const sorted = longest.map(({ own }) => own).toSorted((a, b) => a - b);
  const said = (name: keyof Task) => longest.map((task) => task[name].toFixed(0)).join(', ');
  return `longest task ${sorted[Math.floor(times / 2)]!.toFixed(0)} ms (under ${LONG} is wanted; each time ${said('own')}; by the clock on the wall ${said('whole')})`;
}

/** Drags along the scale of the gauge, from wide to narrow. */
export async function scrub(page: Page): Promise<void> {
  const axis = (await page.getByTestId('axis').boundingBox())!;
  await page.mouse.move(axis.x + axis.width - 60, axis.y + 20);
  await page.mouse.down();
  for (let i = 0; i <= 120; i++) await page.mouse.move(axis.x + axis.width - 60 - (i * (axis.width - 120)) / 120, axis.y + 20);
  await page.mouse.up();
}
