import { demoProject } from '@/demo';
import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { askedFor, Ledger, planOf, widthsOf } from '@/core/audit';
import { bringIn, bringInEdit } from '@/core/bring-in';
import type { Page } from '@/core/document';
import { newProject, PLAIN_PROFILE } from '@/core/document';
import { DEFAULT_SLICE, integersIn } from '@/core/breakpoints';
import { applyEdit, makeEdit } from '@/core/edits';
import { byHands } from '@/server/browser/hands';
import { MeasuredPage, POLICY } from '@/server/browser/measuring';
import { generateCardsPage } from '../tests/audit/generate-cards-page';
import { generatePage } from '../tests/audit/generate-page';

const project = demoProject('00000000-0000-4000-8000-000000000000');
const all = widthsOf(project.audit.range);
const GENERATED = [91000, 91002, 91008];
/** About 3,000 elements. */
const CARDS = 300;

async function timed(page: MeasuredPage, widths: readonly number[], brute = false): Promise<{ ms: number; layouts: number }> {
  const start = performance.now();
  let layouts = 0;
  for await (const step of page.sweep({ widths, brute })) layouts += step.layouts;
  return { ms: performance.now() - start, layouts };
}

const middle = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
const ROUNDS = 3;

/** The same as the program does it: by two tabs, with the opening of the page in them. */
async function byTwoTabs(page: Page): Promise<number> {
  const start = performance.now();
  for await (const _ of byHands(project, page, planOf(project, DEFAULT_SLICE).slice(0, 1), { urgency: 'now' }));
  return performance.now() - start;
}

async function benchPage(
  name: string,
  measured: MeasuredPage,
  { rounds = ROUNDS, page }: { rounds?: number; page?: Page } = {},
): Promise<void> {
  const loops = { rectangles: [] as number[], resizing: [] as number[], exact: [] as number[], tabs: [] as number[] };
  let layouts = 0;
  for (let round = 0; round < rounds; round++) {
    for (const rectangles of [true, false]) {
      const start = performance.now();
      await measured.resizeOnly(project.audit.range, rectangles);
      loops[rectangles ? 'rectangles' : 'resizing'].push(performance.now() - start);
    }
    const exact = await timed(measured, all);
    loops.exact.push(exact.ms);
    ({ layouts } = exact);
    if (page) loops.tabs.push(await byTwoTabs(page));
  }
  const brute = await timed(measured, all, true);
  await measured.close();
  const [rectangles, resizing, exact] = [loops.rectangles, loops.resizing, loops.exact].map(middle) as [number, number, number];
  const share = (of: number) => (exact / of).toFixed(2);
  const tabs = page ? `; by two tabs, with opening, ${(middle(loops.tabs) / resizing).toFixed(2)} of only resizing` : '';
  console.log(
    `  ${name}: ${share(rectangles)} of reading every rectangle (${rectangles.toFixed(0)} ms), ${share(resizing)} of only resizing, 1/${(brute.ms / exact).toFixed(1)} of every width with all checks; ${exact.toFixed(0)} ms, ${((100 * layouts) / all.length).toFixed(0)}% of the widths laid out${tabs}`,
  );
}

/** A page that was brought in, in all views of the audit as the program does it. */
async function benchViews(name: string, html: string): Promise<void> {
  const empty = newProject(project.id, name);
  const files = [{ path: 'page/index.html', bytes: new TextEncoder().encode(html) }];
  const hash = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');
  const { document } = makeEdit(empty, bringInEdit(bringIn(files, { project: empty, hash, key: 'page' })));
  const page = document.pages.find(({ brought }) => brought)!;
  const views = new Map<string, { ms: number; layouts: number }>();
  const start = performance.now();
  for await (const { looking, ms, layouts } of byHands(document, page, planOf(document, DEFAULT_SLICE), { urgency: 'now' })) {
    const before = views.get(looking.view) ?? { ms: 0, layouts: 0 };
    views.set(looking.view, { ms: before.ms + ms, layouts: before.layouts + layouts });
  }
  const whole = (performance.now() - start) / 1_000;
  const each = [...views].map(([view, { ms, layouts }]) => `${view} ${(ms / 1_000).toFixed(1)} s and ${layouts} layouts`);
  console.log(`  ${name}, all views by two tabs in ${whole.toFixed(0)} s; of one tab: ${each.join(', ')}`);
}

/**
 * Exact sweeps of all widths against a loop that resizes to each and reads every element's rectangle, against one that only
 * resizes, and against measuring every width with all checks; and what an edit costs by the share of widths that it touches.
 * @param files HTML files besides the demo and some generated pages; `cards` for a page of some 3,000 elements
 */
export async function benchAudit(files: readonly string[]): Promise<void> {
  console.log(`Exact sweeps (medians of ${ROUNDS} alternating rounds)`);
  const asked = askedFor(PLAIN_PROFILE, ['widths', 'heights']);
  for (const page of project.pages) await benchPage(page.name, await MeasuredPage.open(project, page), { page });
  for (const seed of GENERATED) await benchPage(`generated ${seed}`, await MeasuredPage.openHtml(generatePage(seed), asked));
  // It takes minutes.
  if (files.includes('cards')) {
    const html = generateCardsPage(7, CARDS, true);
    await benchViews(`${CARDS} cards`, html);
    await benchPage(`${CARDS} cards`, await MeasuredPage.openHtml(html, asked), { rounds: 1 });
  }
  for (const file of files.filter((name) => name !== 'cards'))
    await benchPage(file, await MeasuredPage.openHtml((await readFile(file, 'utf8')).replace(/<head>|$/i, `$&${POLICY}`), asked));
  console.log('An edit on the catalogue, measured again where it can change anything');
  const catalogue = project.pages[1]!;
  const cards = Object.values(catalogue.elements).find(({ name }) => name === 'Tool cards')!;
  const whole = await MeasuredPage.open(project, catalogue);
  const full = await timed(whole, all);
  await whole.close();
  for (const at of ['bnarrow', 'bmiddle', 'base']) {
    const { document, footprint } = applyEdit(project, {
      type: 'setStyle',
      owner: cards.id,
      at,
      property: 'column-gap',
      value: '13px',
    });
    const touched = footprint[catalogue.id]?.widths ?? [];
    const ledger = new Ledger();
    const widths = planOf(document, DEFAULT_SLICE).slice(0, 1);
    ledger.record(
      all.map((width) => ({ width, violations: [] })),
      'widths',
      DEFAULT_SLICE.height,
    );
    ledger.invalidate(touched);
    const missing = ledger.missing(widths)[0]?.widths ?? [];
    const page = await MeasuredPage.open(document, document.pages[1]!);
    const again = await timed(page, missing);
    await page.close();
    const share = (100 * integersIn(touched, project.audit.range).length) / all.length;
    console.log(
      `  at ${at}: ${share.toFixed(0)}% of the widths, ${((100 * again.ms) / full.ms).toFixed(0)}% of the time, widest measured ${Math.max(0, ...missing)}`,
    );
  }
}

/** Memory of a process that audits, with its Chromium, after many audits of the demo's pages. */
export async function benchMemory(audits = 200): Promise<void> {
  const { execFileSync } = await import('node:child_process');
  for (let i = 0; i < audits; i++) {
    const measured = await MeasuredPage.open(project, project.pages[i % project.pages.length]!);
    await measured.measure(all);
    await measured.close();
  }
  const rows = execFileSync('ps', ['-eo', 'pid=,ppid=,rss='], { encoding: 'utf8' })
    .trim()
    .split('\n')
    .map((row) => row.trim().split(/\s+/).map(Number));
  const family = new Set([process.pid]);
  for (let grown = true; grown;) {
    grown = false;
    for (const [pid, parent] of rows) if (family.has(parent!) && !family.has(pid!)) grown = Boolean(family.add(pid!));
  }
  const chromium = rows.reduce((total, [pid, , rss]) => total + (family.has(pid!) && pid !== process.pid ? rss! : 0), 0);
  console.log(
    `Memory after ${audits} audits: worker ${(process.memoryUsage.rss() / 1e6).toFixed(0)} MB, its Chromium's processes together ${(chromium / 1e3).toFixed(0)} MB (shared pages counted in each)`,
  );
}
