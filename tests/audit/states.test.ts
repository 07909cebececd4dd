import { askedFor, checkNamed, Ledger, planOf } from '@/core/audit';
import type { Finding, View } from '@/core/audit';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import type { Project } from '@/core/document';
import { PLAIN_PROFILE } from '@/core/document';
import type { Edit } from '@/core/edits';
import { makeEdit } from '@/core/edits';
import type { FixLine } from '@/core/remedy';
import { demoProject } from '@/demo';
import { compareSweeps } from '@/server/browser/compare-sweeps';
import { MeasuredPage } from '@/server/browser/measuring';
import { tryFixes } from '@/server/browser/try-fixes';
import { closeBrowser } from '@/server/browser/warm-browser';
import { generateCardsPage } from './generate-cards-page';
import { withStates } from './with-states';

// What is found only while something is pointed at, focused or pressed, at exact widths, and what mends it.

const demo = demoProject('00000000-0000-4000-8000-000000000000');
const set = (owner: string, at: string, property: string, value: string): Edit => ({
  ...{ type: 'setStyle', owner, at, property, value },
});
const edited = (...edits: Edit[]): Project => edits.reduce((project, edit) => makeEdit(project, edit).document, demo);

// Cards are dark when pointed at, and their words follow only from the middle widths on.
const project = edited(
  set('scard:hover', 'base', 'background-color', '#1f2b29'),
  set('scard:hover', 'base', 'color', '#ffffff'),
  set('scard:hover', 'bnarrow', 'color', '#33403e'),
  set('kbutton', 'base', 'outline-style', 'none'),
  set('klink:focus-visible', 'bmiddle', 'outline', '2px solid #eeeeee'),
);
const views = (one: Project): View[] => planOf(one, DEFAULT_SLICE).map(({ view }) => view);

afterAll(closeBrowser);

async function findingsIn(one: Project, view: View, widths: readonly number[]): Promise<Finding[]> {
  const measured = await MeasuredPage.open(one, one.pages[0]!);
  const ledger = new Ledger();
  ledger.record(await measured.measure(widths, { view }), view, DEFAULT_SLICE.height);
  await measured.close();
  return ledger.findings();
}

test('a state is looked at where anything is said of it', () => {
  expect(views(demo)).not.toEqual(expect.arrayContaining(['pointed']));
  expect(views(project)).toEqual(expect.arrayContaining(['pointed', 'focused', 'pressed']));
  expect(views(edited(set('sbutton:active', 'base', 'color', 'red')))).toContain('pressed');
  expect(views(edited(set('sbutton:active', 'base', 'color', 'red')))).not.toContain('pointed');
});

test('numbers that a project has for contrast hold in states too', () => {
  const checks = { contrast: { limits: { usual: 2 } }, 'small-target': { limits: { least: 30 } } };
  const { limits } = askedFor({ ...PLAIN_PROFILE, checks }, ['pointed']).find(({ id }) => id === 'pointed')!;
  expect(limits).toMatchObject({ usual: 2, large: 3, least: 30 });
});

test.each<View>(['pointed', 'focused', 'pressed'])('what a sweep says of %s is what measuring every width says', async (view) => {
  const widths = Array.from({ length: 40 }, (_, i) => 580 + i);
  const open = () => MeasuredPage.open(project, project.pages[0]!);
  const [exact, brute] = [await open(), await open()];
  const results = [await exact.measure(widths, { view }), await brute.measure(widths, { view, brute: true })] as const;
  await exact.close();
  await brute.close();
  expect(compareSweeps(...results)).toEqual([]);
  expect(results[0].some(({ violations }) => violations.length > 0)).toBe(true);
});

/** Little to look at: each fix is measured at every width, and on every device. */
const little = (one: Project): Project =>
  [
    { type: 'setProject', field: 'range', value: { first: 580, last: 620 } } as const,
    ...one.deviceSets.map(({ id }): Edit => ({ type: 'removeDeviceSet', id })),
  ].reduce((before, edit) => makeEdit(before, edit).document, one);

test('a fault of a state has exact widths, and the fix goes to the state', async () => {
  const few = little(project);
  const found = await findingsIn(few, 'pointed', [596, 597, 598, 599, 600, 601]);
  // Texts with a colour of their own stay dark at every width.
  const words = found.filter(({ check, widths }) => check === 'pointed' && widths.every(({ below }) => below === 600));
  expect(words.length).toBeGreaterThan(0);
  const fixes: FixLine[] = [];
  for await (const line of tryFixes(few, few.pages[0]!, [words[0]!], new AbortController().signal)) fixes.push(line);
  const tried = fixes.flatMap((line) => (line.type === 'tried' ? [line.fix] : []));
  expect(tried.length).toBeGreaterThan(0);
  expect(JSON.stringify(tried[0]!.edit)).toContain(':hover');
});

test('where the browser’s line is taken away nothing tells of the focus, and a faint line is told', async () => {
  const found = await findingsIn(project, 'focused', [400, 899, 900]);
  const of = (check: string) => found.filter((one) => one.check === check);
  expect(of('unseen-focus').map(({ element }) => demo.pages[0]!.elements[element]!.tag)).toContain('button');
  expect(of('faint-focus').length).toBeGreaterThan(0);
  for (const { worst } of of('faint-focus')) expect(worst.width).toBeLessThan(900);
});

/** What is told of a state at some widths, by a sweep or by measuring each of them, and how many layouts it took. */
async function toldOf(html: string, view: View, widths: readonly number[], brute: boolean) {
  const page = await MeasuredPage.openHtml(html, (views) => askedFor(PLAIN_PROFILE, views));
  const ledger = new Ledger();
  ledger.record(await page.measure(widths), 'widths', DEFAULT_SLICE.height);
  let layouts = 0;
  for await (const step of page.sweep({ view, widths, brute })) {
    ledger.record(step.results, view, DEFAULT_SLICE.height);
    layouts += step.layouts;
  }
  await page.close();
  const found = ledger.findings().filter(({ check }) => checkNamed(check)!.view === view);
  return { layouts, found: found.map(({ check, element, widths: at }) => JSON.stringify([check, element, at])).sort() };
}

const from = (first: number, count: number) => Array.from({ length: count }, (_, i) => first + i);

test.each<[View, number]>([
  ['pointed', 612],
  ['pointed', 626],
  ['focused', 606],
  ['pressed', 614],
])('%s on generated page %i: what is told besides rest is what measuring all of it tells', async (view, seed) => {
  const html = withStates(generateCardsPage(seed, 6), seed);
  const [exact, brute] = [await toldOf(html, view, from(640, 90), false), await toldOf(html, view, from(640, 90), true)];
  expect(exact.found).toEqual(brute.found);
  expect(brute.found.length).toBeGreaterThan(0);
});

const WORDS =
  'The mill pond and the weir lie still in the evening and the wheel turns for nobody at all while reeds are cut'.split(' ');
const paragraph = (i: number) => `<p>${[...WORDS.slice(i), `<a href="#">${WORDS[i]}</a>`, ...WORDS.slice(0, i)].join(' ')}</p>`;
const LINKS = `<style>body{margin:8px;font:16px/1.5 sans-serif;columns:2}a{color:#222}a:hover{color:#888}:focus-visible{outline:2px solid #eee}</style><body>${WORDS.map((_, i) => paragraph(i)).join('')}`;

test('where a state only paints, few widths are laid out, though it isn’t known how texts are broken', async () => {
  const widths = from(400, 400);
  for (const view of ['pointed', 'focused'] as const) {
    const { found, layouts } = await toldOf(`<!doctype html>${LINKS}`, view, widths, false);
    expect(found).toHaveLength(WORDS.length);
    // Two per cent are compared.
    expect(layouts).toBeLessThan(20);
    const moving = LINKS.replace('a:hover{', 'a:hover,a:focus-visible{padding-left:3px;');
    expect((await toldOf(`<!doctype html>${moving}`, view, widths, false)).layouts).toBeGreaterThan(20);
  }
});

test('contrast that is low in a state is told of what is too small at rest as well', async () => {
  const html =
    '<!doctype html><style>a{display:inline-block;font:12px/12px sans-serif;color:#000}a:hover{color:#888}</style><body><a href="#">Weir</a><br><a href="#">Mill</a>';
  const { found } = await toldOf(html, 'pointed', [500], true);
  expect(found).toHaveLength(2);
});
