import { existsSync, readdirSync, statSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { View, WidthResult } from '@/core/audit';
import { askedFor, saysAlready, VIEWS, widthsOf } from '@/core/audit';
import { PLAIN_PROFILE } from '@/core/document';
import { demoProject } from '@/demo';
import type { SweepDifference } from '@/server/browser/compare-sweeps';
import { compareSweeps } from '@/server/browser/compare-sweeps';
import { MeasuredPage, POLICY } from '@/server/browser/measuring';
import { closeBrowser } from '@/server/browser/warm-browser';
import { generateCardsPage } from '../tests/audit/generate-cards-page';
import { generateLongTextPage } from '../tests/audit/generate-long-text-page';
import { generateManualPage } from '../tests/audit/generate-manual-page';
import { generatePage } from '../tests/audit/generate-page';
import { generateRowsPage } from '../tests/audit/generate-rows-page';
import { generateTextPage } from '../tests/audit/generate-text-page';
import { withOwnFont } from '../tests/audit/with-own-font';
import { withStates } from '../tests/audit/with-states';

const numberAfter = (name: string, usual: number) => {
  const at = process.argv.indexOf(name);
  return at < 0 ? usual : Number(process.argv[at + 1]);
};
/** HTML files by name, and all that lie in folders that are named. */
const files = process.argv.slice(2).flatMap((word) => {
  if (/\.html?$/.test(word)) return [word];
  if (!existsSync(word) || !statSync(word).isDirectory()) return [];
  return readdirSync(word, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.html?$/.test(name))
    .sort()
    .map((name) => join(word, name));
});
/** Pages of running text made of chance, as many of long texts, of rows and grids, and of cards, of which it is compared too what is worked out by their texts. */
const texts = numberAfter('--texts', 0);
/** Pages of cards, and such as manuals are made up, alone. */
const cardPages = numberAfter('--cards', texts);
const manuals = numberAfter('--manuals', texts);
const pages = numberAfter('--pages', files.length + texts + cardPages + manuals > 0 ? 0 : 200);
const seed = numberAfter('--seed', 1);
/** Whether made pages bring a font of their own along. */
const ownFonts = process.argv.includes('--fonts');
/** Generated pages are compared in a stretch of so many widths, placed by chance; all widths where it isn't given. */
const stretch = numberAfter('--stretch', Infinity);
/** What pages are looked at with: as they are, or otherwise; in states something is said of those first. */
const view = VIEWS.find((one) => one === process.argv[process.argv.indexOf('--view') + 1]) ?? 'widths';
const isState = view === 'pointed' || view === 'focused' || view === 'pressed';
const allWidths = [...widthsOf(PLAIN_PROFILE.range)];

let differences = 0;
let noticed = 0;
let inTwoWays = 0;
let layouts = 0;
let decided = 0;
const times = { exact: 0, brute: 0 };

type Open = () => Promise<MeasuredPage>;

interface Run {
  readonly results: WidthResult[];
  readonly layouts: number;
  readonly ms: number;
  /** Where a width that was worked out was found to be otherwise, so that the rest was measured. */
  readonly wrong: string[];
}

async function run(page: MeasuredPage, brute: boolean, widths: readonly number[]): Promise<Run> {
  const start = performance.now();
  const results: WidthResult[] = [];
  let count = 0;
  const wrong: string[] = [];
  for await (const step of page.sweep({ view, widths, brute })) {
    if (step.wrong) wrong.push(`${step.wrong.checks.join(', ')} at ${step.wrong.width}`);
    results.push(...step.results);
    count += step.layouts;
  }
  return { results, layouts: count, ms: performance.now() - start, wrong };
}

/**
 * Ways to come to a width. What browsers lay out there hangs on what they did before, by 1/64 px; and of two sizes of type that they keep under one
 * number, such as 20.04 and 20.05 px, letters are drawn at that which came first.
 */
const WAYS: readonly (readonly number[])[] = [[], [-2, -1], [2, 1], [1], [-1]];

/** Widths at which a browser that has just been started agrees with the sweep, if it comes there in some way. */
async function browsersOwn(open: Open, exact: readonly WidthResult[], found: readonly SweepDifference[]): Promise<Set<number>> {
  const own = new Set<number>();
  for (const width of new Set(found.map((one) => one.width)))
    for (const way of WAYS) {
      if (own.has(width)) break;
      await closeBrowser();
      const page = await open();
      for (const by of way) await page.measure([width + by], { view, brute: true });
      const fresh = await page.measure([width], { view, brute: true });
      await page.close();
      const said = exact.filter((one) => one.width === width);
      if (compareSweeps(said, fresh).length === 0) own.add(width);
    }
  return own;
}

/** What is found in a state and isn't found at rest. */
async function besidesUsual(open: Open, results: readonly WidthResult[]): Promise<readonly WidthResult[]> {
  if (!isState) return results;
  const page = await open();
  const usual = new Map(
    (
      await page.measure(
        results.map(({ width }) => width),
        { view: 'widths' },
      )
    ).map((one) => [one.width, one]),
  );
  await page.close();
  return results.map((one) => ({
    ...one,
    violations: one.violations.filter((found) => !usual.get(one.width)!.violations.some((other) => saysAlready(other, found))),
  }));
}

async function check(name: string, open: Open, widths: readonly number[] = allWidths): Promise<void> {
  const page = await open();
  if (view === 'widths' && (texts + cardPages + manuals > 0 || files.length > 0)) {
    const { worked, wrong } = await page.compareTexts(widths);
    differences += wrong.length;
    console.log(`  ${name}: ${worked} of ${widths.length} widths worked out by their texts, ${wrong.length} of them wrong`);
    for (const { width, what } of wrong.slice(0, 6)) console.log(`      at ${width}: ${what}`);
  }
  const exact = await run(page, false, widths);
  const brute = await run(page, true, widths);
  await page.close();
  const all = compareSweeps(await besidesUsual(open, exact.results), await besidesUsual(open, brute.results));
  const own = await browsersOwn(open, exact.results, all);
  const found = all.filter(({ width }) => !own.has(width));
  inTwoWays += own.size;
  differences += found.length;
  noticed += exact.wrong.length;
  layouts += exact.layouts;
  decided += widths.length;
  times.exact += exact.ms;
  times.brute += brute.ms;
  const share = `${exact.layouts} layouts (1/${(widths.length / exact.layouts).toFixed(1)})`;
  const time = `${exact.ms.toFixed(0)} ms of ${brute.ms.toFixed(0)} (1/${(brute.ms / exact.ms).toFixed(1)})`;
  const faults = new Set(brute.results.flatMap(({ violations }) => violations.map(({ check: id }) => id))).size;
  console.log(`  ${name}: ${found.length} differences; ${share}, ${time}; ${faults} checks with findings`);
  if (own.size > 0) console.log(`      laid out in two ways by the browser itself at ${[...own].join(', ')}`);
  for (const what of exact.wrong) console.log(`      worked out otherwise, then measured: ${what}`);
  for (const { width, what } of found.slice(0, 12)) console.log(`      at ${width}: ${what}`);
}

if (pages > 0) {
  const project = demoProject('00000000-0000-4000-8000-000000000000');
  for (const page of project.pages) await check(page.name, () => MeasuredPage.open(project, page));
  console.log(
    `Demo pages: 1/${(decided / layouts).toFixed(1)} of the layouts, 1/${(times.brute / times.exact).toFixed(1)} of the time`,
  );
}
const asked = (views: readonly View[]) => askedFor(PLAIN_PROFILE, view === 'widths' ? VIEWS : views);
const openHtml = (html: string, states = seed): Open => {
  const shown = isState ? withStates(html, states) : html;
  return () => MeasuredPage.openHtml(shown, asked);
};
for (const file of files) await check(file, openHtml((await readFile(file, 'utf8')).replace(/<head>|$/i, `$&${POLICY}`)));
const stretchOf = (i: number) => {
  const most = Math.min(stretch, allWidths.length);
  const first = Math.floor((((seed + i) * 0.618034) % 1) * (allWidths.length - most));
  return allWidths.slice(first, first + most);
};
async function checkMade(name: string, generate: (seed: number) => string, count: number): Promise<void> {
  for (let i = 0; i < count; i++) {
    const html = generate(seed + i);
    await check(`${name} ${seed + i}`, openHtml(ownFonts ? withOwnFont(html, seed + i) : html, seed + i), stretchOf(i));
  }
}
await checkMade('cards', generateCardsPage, cardPages);
await checkMade('manual', generateManualPage, manuals);
await checkMade('text', generateTextPage, texts);
await checkMade('rows', generateRowsPage, texts);
await checkMade('long texts', generateLongTextPage, texts);
await checkMade('generated', generatePage, pages);
console.log(
  `${differences} differences, ${inTwoWays} widths that the browser itself lays out in two ways, ${noticed} pages measured at every width since a spot check found one, at ${decided} widths; 1/${(decided / layouts).toFixed(1)} of the layouts in all`,
);
await closeBrowser();
process.exit(differences + noticed > 0 ? 1 : 0);
