import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { Page as Window } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { unzipSync } from 'fflate';
import { ARRANGEMENTS, planArrangement } from '@/core/arrangements';
import type { Wish } from '@/core/arrangements';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import type { PageElement } from '@/core/document';
import { newPage } from '@/core/document';
import { applyEdit } from '@/core/edits';
import type { Edit } from '@/core/edits';
import { createProject, frameOf, goTo, makeEdits, openWorkbench, readProject } from './workbench';

// Each ready arrangement as visitors use it, from disk, on a phone, a tablet upright and turned, and a desktop.

type Size = 'phone' | 'upright' | 'turned' | 'desktop';
const SIZES: Readonly<Record<Size, { readonly width: number; readonly height: number }>> = {
  phone: { width: 390, height: 844 },
  upright: { width: 768, height: 1024 },
  turned: { width: 1024, height: 768 },
  desktop: { width: 1440, height: 900 },
};

type Values = Readonly<Record<string, string>>;
interface Twig {
  readonly tag: string;
  readonly name?: string;
  readonly text?: string;
  readonly attributes?: Values;
  readonly base?: Values;
  readonly inside?: readonly Twig[];
}
const t = (tag: string, inside: readonly Twig[] | string = [], more: Partial<Twig> = {}): Twig =>
  typeof inside === 'string' ? { tag, text: inside, ...more } : { tag, inside, ...more };
const FLEX = { display: 'flex', 'column-gap': '20px' };

function planted(id: string, top: Twig): Pick<ReturnType<typeof newPage>, 'root' | 'elements'> {
  const elements: Record<string, PageElement> = {};
  let n = 0;
  const put = ({ tag, name, text, attributes = {}, base, inside = [] }: Twig): string => {
    const key = `e${id}${n++}`;
    elements[key] = {
      id: key,
      tag,
      name: name ?? text ?? tag,
      attributes,
      children: [],
      shared: [],
      styles: base ? { base } : {},
    };
    elements[key] = { ...elements[key], children: [...(text ? [{ text }] : []), ...inside.map(put)] };
    return key;
  };
  return { root: put(top), elements };
}

const link = (text: string) => t('a', text, { attributes: { href: '#' } });
const header = t(
  'header',
  [t('strong', 'Library'), t('nav', ['Tools', 'Hours', 'Join'].map(link), { name: 'Menu', base: FLEX })],
  { name: 'Subject', base: { ...FLEX, 'justify-content': 'space-between' } },
);
const section = (n: number) => t('section', [t('h2', `Part ${n}`), t('p', `Words of part ${n}.`)], { name: `Part ${n}` });
const GRID = { display: 'grid', 'grid-template-columns': 'repeat(3, minmax(0, 1fr))', 'column-gap': '20px' };
const row = (base: Values = GRID) => t('div', [1, 2, 3].map(section), { name: 'Subject', base });
const SVG = { attributes: { src: 'picture:pa', alt: 'A tool' }, base: { display: 'block', width: '100%' } };
const cards = t(
  'ul',
  [1, 2].map((n) => t('li', [t('img', [], SVG), t('h2', `Tool ${n}`)])),
  { name: 'Subject', base: GRID },
);
const cells = (tag: string, words: readonly string[]) =>
  t(
    'tr',
    words.map((text) => t(tag, text)),
  );
const table = t('table', [t('thead', [cells('th', ['Day', 'Time'])]), t('tbody', [cells('td', ['Monday', '9 to 12'])])], {
  name: 'Subject',
});

interface Case {
  readonly id: string;
  readonly body: readonly Twig[];
  readonly wish?: Partial<Wish>;
  readonly is: (page: Window, size: Size) => Promise<void>;
}
const tools = (page: Window) => page.getByRole('link', { name: 'Tools' });
const button = (page: Window, name = 'Menu') => page.getByRole('button', { name, exact: true });
const box = async (page: Window, selector: string) => (await page.locator(selector).first().boundingBox())!;
const text = t('main', [t('p', 'The rest of the page.')]);

const opens = async (page: Window, folded: boolean) => {
  await expect(button(page)).toBeVisible({ visible: folded });
  await expect(tools(page)).toBeVisible({ visible: !folded });
  if (!folded) return;
  await button(page).press('Enter');
  await expect(tools(page)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(tools(page)).toBeHidden();
};
const wide = (columns: readonly number[]) => async (page: Window, size: Size) => {
  const lefts = await page
    .locator('main h2')
    .evaluateAll((all) => new Set(all.map((one) => Math.round(one.getBoundingClientRect().left))).size);
  expect([size, lefts]).toEqual([size, size === 'desktop' ? columns[1] : columns[0]]);
};

const CASES: readonly Case[] = [
  { id: 'menu-button', body: [header, text], is: (page) => opens(page, true) },
  { id: 'folding-menu', body: [header, text], is: (page, size) => opens(page, size === 'phone') },
  { id: 'drawer', body: [header, text], is: (page, size) => opens(page, size === 'phone') },
  {
    ...{ id: 'another-header', body: [header, text] },
    async is(page, size) {
      await expect(page.locator('header:visible')).toHaveCount(1);
      await opens(page, size === 'phone');
    },
  },
  {
    ...{ id: 'side-column', body: [header, text] },
    async is(page, size) {
      const [top, main] = [await box(page, 'header'), await box(page, 'main')];
      if (size === 'phone') expect(main.y).toBeGreaterThanOrEqual(top.y + top.height);
      else expect([top.x, top.height, main.x >= 240]).toEqual([0, SIZES[size].height, true]);
    },
  },
  {
    ...{ id: 'at-bottom', body: [header, t('section', [t('h1', 'Welcome')]), text] },
    async is(page, size) {
      const { y, height } = await box(page, 'header');
      if (size === 'phone') expect(y).toBeLessThan(20);
      else expect(y + height).toBeCloseTo(SIZES[size].height, 0);
    },
  },
  {
    ...{ id: 'table-cards', body: [t('main', [table])] },
    async is(page, size) {
      const cell = page.getByRole('cell', { name: '9 to 12' });
      await expect(cell).toHaveCSS('display', size === 'phone' ? 'block' : 'table-cell');
      const label = await cell.evaluate((node) => getComputedStyle(node, '::before').content);
      expect(label).toBe(size === 'phone' ? '"Time"' : 'none');
    },
  },
  {
    ...{ id: 'disclosures', body: [t('main', [row()])] },
    async is(page, size) {
      const words = page.getByText('Words of part 2.');
      await expect(words).toBeVisible({ visible: size !== 'phone' });
      await expect(page.locator('summary:visible')).toHaveCount(size === 'phone' ? 3 : 0);
      if (size !== 'phone') return;
      await page.locator('summary').nth(1).press('Enter');
      await expect(words).toBeVisible();
    },
  },
  {
    ...{
      id: 'side-away',
      body: [
        t('main', [t('div', [section(1), t('aside', [t('h2', 'Beside')], { name: 'Beside' })], { name: 'Subject', base: FLEX })]),
      ],
    },
    wish: { settings: { where: 'drawer' } },
    async is(page, size) {
      await expect(button(page, 'Beside')).toBeVisible({ visible: size === 'phone' });
      if (size === 'phone') await button(page, 'Beside').press('Enter');
      await expect(page.getByRole('heading', { name: 'Beside' })).toBeVisible();
    },
  },
  {
    ...{ id: 'scroller', body: [t('main', [row()])] },
    async is(page, size) {
      const subject = page.locator('main > div');
      const more = () => subject.evaluate((node) => node.scrollWidth - node.clientWidth);
      expect([size, (await more()) > 1]).toEqual([size, size === 'phone']);
      if (size !== 'phone') return;
      await subject.focus();
      await page.keyboard.press('ArrowRight');
      await expect.poll(() => subject.evaluate((node) => node.scrollLeft)).toBeGreaterThan(100);
    },
  },
  {
    ...{ id: 'one-at-a-time', body: [t('main', [row()])] },
    async is(page, size) {
      await expect(page.getByRole('link', { name: 'Next' }).first()).toBeVisible({ visible: size === 'phone' });
      if (size !== 'phone') return;
      await expect(page.getByText('Words of part 2.')).not.toBeInViewport();
      await page.getByRole('link', { name: 'Next' }).first().press('Enter');
      await expect(page.getByText('Words of part 2.')).toBeInViewport({ ratio: 0.9 });
      await expect(page.getByText('Words of part 1.')).not.toBeInViewport();
    },
  },
  {
    ...{ id: 'grid-list', body: [t('main', [cards])] },
    async is(page, size) {
      const [picture, words] = [await box(page, 'li img'), await box(page, 'li h2')];
      expect([size, words.x > picture.x + picture.width - 1]).toEqual([size, size === 'phone']);
    },
  },
  { id: 'more-columns', body: [t('main', [row()])], wish: { settings: { columns: '2' } }, is: wide([3, 2]) },
  { id: 'second-pane', body: [t('main', [row({})])], wish: { settings: {} }, is: wide([1, 2]) },
  {
    ...{
      id: 'limit',
      body: [t('main', [t('p', 'Words '.repeat(80), { name: 'Subject' })])],
      wish: { settings: { most: '960px' } },
    },
    async is(page, size) {
      const { width } = await box(page, 'main p');
      if (size === 'desktop') expect(width).toBe(960);
      else expect(width).toBeGreaterThanOrEqual(SIZES[size].width - 20);
    },
  },
];

test('every ready arrangement does at each size what it says, as it is handed over; and the preview shows the same', async ({
  page,
  request,
}, info) => {
  const tried = new Set(CASES.map(({ id }) => id));
  // Those have tests of their own.
  expect(ARRANGEMENTS.map(({ id }) => id).filter((id) => !tried.has(id))).toEqual(['drop-away', 'table-scrolls', 'list-detail']);
  const id = await createProject(request, 'empty');
  const edits: Edit[] = [
    { type: 'addBreakpoint', breakpoint: { id: 'bn', name: 'Narrow', condition: { below: 640 } } },
    { type: 'addBreakpoint', breakpoint: { id: 'bw', name: 'Wide', condition: { from: 1400 } } },
    {
      type: 'addPicture',
      picture: {
        id: 'pa',
        fileName: 'a.svg',
        svg: '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 4 3" width="400" height="300"/>',
      },
    },
  ];
  let { project } = await readProject(request, id);
  project = edits.reduce((now, edit) => applyEdit(now, edit).document, project);
  let n = 0;
  const newId = () => `each${(n++).toString(36)}`;
  for (const { id: name, body, wish = {} } of CASES) {
    const key = name.replaceAll('-', '');
    const added: Edit = { type: 'addPage', page: { ...newPage(`g${key}`, name, name), ...planted(key, t('body', body)) } };
    project = applyEdit(project, added).document;
    const { elements } = project.pages.find((one) => one.id === `g${key}`)!;
    const subject = Object.values(elements).find((one) => one.name === 'Subject')!;
    const arrangement = ARRANGEMENTS.find((one) => one.id === name)!;
    const roles: Record<string, string> =
      name === 'second-pane' ? { pane: Object.values(elements).find((one) => one.name === 'Part 3')!.id } : {};
    const { edit } = planArrangement(project, DEFAULT_SLICE, `g${key}`, subject.id, arrangement, { ...wish, roles }, newId);
    project = applyEdit(project, edit).document;
    edits.push(added, edit);
  }
  await makeEdits(request, id, edits);
  const files = unzipSync(new Uint8Array(await (await request.get(`/api/projects/${id}/export`)).body()));
  for (const [path, bytes] of Object.entries(files)) {
    mkdirSync(dirname(info.outputPath(path)), { recursive: true });
    writeFileSync(info.outputPath(path), bytes);
  }
  const visitor = await page.context().newPage();
  for (const { id: name, is } of CASES)
    for (const size of Object.keys(SIZES) as Size[])
      await test.step(`${name}, ${size}`, async () => {
        await visitor.setViewportSize(SIZES[size]);
        await visitor.goto(pathToFileURL(join(info.outputDir, `${name}.html`)).href);
        await is(visitor, size);
      });
  await visitor.close();

  await openWorkbench(page, id, 'table-cards');
  const cell = frameOf(page).getByText('9 to 12');
  await expect(cell).toHaveCSS('display', 'table-cell');
  await goTo(page, 500);
  await expect(cell).toHaveCSS('display', 'block');
});
