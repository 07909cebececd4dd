import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { Page as Window } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { unzipSync } from 'fflate';
import type { APIRequestContext, TestInfo } from '@playwright/test';
import { newPage } from '@/core/document';
import type { PageElement } from '@/core/document';
import { createProject, frameOf, goTo, makeEdits, openWorkbench, outline, readProject, saved, swept } from './workbench';

// Ready arrangements: chosen with the page before and after in sight, applied, handed over, used at each size, taken back whole.

const PHONE = { width: 390, height: 844 };
const UPRIGHT = { width: 768, height: 1024 };
const TURNED = { width: 1024, height: 768 };
const DESKTOP = { width: 1440, height: 900 };

/** What is handed over, on disk. */
async function handedOver(request: APIRequestContext, id: string, info: TestInfo): Promise<(file: string) => string> {
  const files = unzipSync(new Uint8Array(await (await request.get(`/api/projects/${id}/export`)).body()));
  for (const [path, bytes] of Object.entries(files)) if (!path.includes('/')) writeFileSync(info.outputPath(path), bytes);
  return (file) => pathToFileURL(join(info.outputDir, file)).href;
}

const dialogOf = (page: Window) => page.getByRole('dialog', { name: /^Arrange / });
const after = (page: Window, width: number) => dialogOf(page).frameLocator(`iframe[title*="${width} px wide, as it would be"]`);
const left = (page: Window, selector: string) =>
  frameOf(page)
    .locator(selector)
    .first()
    .evaluate((node) => node.getBoundingClientRect().left);

test('a header by mouse: before and after at three widths, applied, undone, and taken back whole after other edits', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  await goTo(page, 1280);
  await outline(page, 'Header').click();
  await page.getByRole('button', { name: 'Ready arrangements …' }).click();
  const dialog = dialogOf(page);
  await dialog.getByRole('radio', { name: 'Menu in a drawer' }).click();
  await expect(dialog.getByRole('status')).toContainText('Menu is a drawer already');
  await expect(dialog.getByRole('button', { name: 'Arrange', exact: true })).toBeDisabled();
  await dialog.getByRole('radio', { name: 'Side column that becomes a top bar' }).click();
  const menu = after(page, 1280).locator('header ul');
  await expect(menu).toHaveCSS('flex-direction', 'column');
  await expect(after(page, 390).locator('header')).toHaveCSS('flex-direction', 'row');
  await expect(dialog.getByRole('list', { name: 'What will change' })).toContainText(
    'Front page and 5 more, Middle, Wide and Very wide: padding-left 0px becomes 240px.',
  );
  await dialog.getByRole('combobox', { name: /^Wide/ }).selectOption('300 px');
  await expect(after(page, 1280).locator('header')).toHaveCSS('width', '300px');
  await dialog.getByRole('button', { name: 'Arrange', exact: true }).click();
  await expect.poll(() => left(page, 'main')).toBeGreaterThanOrEqual(300);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => left(page, 'main')).toBeLessThan(300);
  await page.getByRole('button', { name: 'Redo' }).click();

  // Something else is done to it meanwhile; then all of the arrangement goes.
  await page.getByLabel('Find a property').fill('opacity');
  await page.locator('input[data-property="opacity"]').fill('0.9');
  await page.locator('input[data-property="opacity"]').press('Enter');
  await page.getByLabel('Find a property').fill('');
  await page.getByRole('button', { name: /^Take back Side column/ }).click();
  await expect(page.getByRole('dialog', { name: 'What will happen' })).toContainText('Take back Side column');
  await page.getByRole('button', { name: 'Do it' }).click();
  await expect.poll(() => left(page, 'main')).toBeLessThan(300);
  await saved(page);
  const { project } = await readProject(request, id);
  expect(project.arranged.map(({ kind }) => kind)).toEqual(['table-scrolls', 'list-detail']);
  const opacity = (elements: Readonly<Record<string, PageElement>>) =>
    Object.values(elements).flatMap(({ id: one, styles }) => (styles.base?.opacity === '0.9' ? [one] : []));
  expect([...project.pages, ...project.parts].flatMap(({ elements }) => opacity(elements))).toHaveLength(1);
  expect(project.pages.flatMap(({ root, elements }) => Object.keys(elements[root]!.styles))).toEqual([]);
});

test('a table by keyboard: it scrolls in its own box with headings held, as it is handed over at each size', async ({
  page,
  request,
}, info) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id, 'Opening hours');
  await page
    .getByRole('treeitem', { name: /^Hours/ })
    .last()
    .click();
  // It is arranged so in the demo; that goes first.
  await page.getByRole('button', { name: /^Take back Table or list that scrolls/ }).press('Enter');
  await page.getByRole('button', { name: 'Do it' }).press('Enter');
  await expect(page.getByRole('list', { name: 'Applied arrangements' })).toBeHidden();
  await page
    .getByRole('treeitem', { name: /^Hours/ })
    .last()
    .click();
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('Shift+Y');
  const dialog = dialogOf(page);
  await expect(dialog.getByRole('radio', { name: 'Table as stacked cards' })).toBeChecked();
  await dialog.getByRole('radio', { name: 'Table as stacked cards' }).focus();
  await page.keyboard.press('ArrowDown');
  await expect(dialog.getByRole('radio', { name: 'Table or list that scrolls in its own box' })).toBeChecked();
  await expect(after(page, 390).getByText('Scroll sideways to see all columns.')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(dialog).toBeHidden();
  await saved(page);

  const address = await handedOver(request, id, info);
  const visitor = await page.context().newPage();
  for (const size of [PHONE, UPRIGHT, TURNED, DESKTOP]) {
    await visitor.setViewportSize(size);
    await visitor.goto(address('hours.html'));
    const box = visitor.getByRole('region', { name: 'Hours' });
    const hint = visitor.getByText('Scroll sideways to see all columns.');
    const scrolls = await box.evaluate((node) => node.scrollWidth > node.clientWidth + 1);
    expect([size.width, scrolls, await hint.isVisible()]).toEqual([size.width, size === PHONE, size === PHONE]);
    expect(await visitor.evaluate(() => document.documentElement.scrollWidth > innerWidth)).toBe(false);
    if (size !== PHONE) continue;
    await box.focus();
    const day = visitor.getByRole('rowheader', { name: 'Tuesday' });
    const help = visitor.getByRole('cell', { name: 'Sharpening' });
    const before = [await day.boundingBox(), await help.boundingBox()];
    for (let n = 0; n < 6; n++) await visitor.keyboard.press('ArrowRight');
    await expect.poll(() => box.evaluate((node) => node.scrollLeft)).toBeGreaterThan(60);
    expect((await day.boundingBox())!.x).toBe(before[0]!.x);
    expect((await help.boundingBox())!.x).toBeLessThan(before[1]!.x - 60);
  }
  await visitor.close();
});

const el = (id: string, tag: string, children: PageElement['children'] = [], more: Partial<PageElement> = {}): PageElement => ({
  ...{ id, tag, name: id, attributes: {}, children, shared: [], styles: {} },
  ...more,
});

/** Two pages of one's own: a list of tools, and one tool. */
async function twoPages(request: APIRequestContext): Promise<string> {
  const id = await createProject(request, 'empty');
  const { project } = await readProject(request, id);
  const [first] = project.pages;
  const main = Object.values(first!.elements).find(({ tag }) => tag === 'main')!;
  const detail = newPage('gtool', 'Tool', 'tool');
  const elements = [
    el('etb', 'body', ['etm']),
    el('etm', 'main', ['eth', 'etp']),
    el('eth', 'h1', [{ text: 'Hand drill' }], { name: 'Tool name' }),
    el('etp', 'p', [{ text: 'Turns by hand, and never needs to be charged.' }], { name: 'Description' }),
  ];
  await makeEdits(request, id, [
    { type: 'addBreakpoint', breakpoint: { id: 'bn', name: 'Narrow', condition: { below: 640 } } },
    { type: 'addPage', page: { ...detail, root: 'etb', elements: Object.fromEntries(elements.map((one) => [one.id, one])) } },
    {
      ...{ type: 'insertElement', page: first!.id, parent: main.id, index: 0 },
      elements: [
        el('elist', 'ul', ['eli1', 'eli2'], { name: 'Tools' }),
        el('eli1', 'li', ['elk1'], { name: 'Drill item' }),
        el('elk1', 'a', [{ text: 'Hand drill' }], { name: 'Drill link', attributes: { href: 'page:gtool' } }),
        el('eli2', 'li', ['elk2'], { name: 'Awl item' }),
        el('elk2', 'a', [{ text: 'Awl' }], { name: 'Awl link', attributes: { href: 'page:gtool' } }),
      ],
    },
  ]);
  return id;
}

test('list and detail: side by side, one above the other upright, one after the other on a phone, with addresses, focus and the way back', async ({
  page,
  request,
}, info) => {
  const id = await twoPages(request);
  await openWorkbench(page, id);
  await outline(page, 'Tools').click();
  await page.keyboard.press('Shift+Y');
  const dialog = dialogOf(page);
  await dialog.getByRole('radio', { name: 'List and detail' }).click();
  await dialog.getByLabel('On upright screens').selectOption('the list above the detail');
  await expect(after(page, 1280).getByRole('heading', { name: 'Hand drill' })).toBeVisible();
  await expect(after(page, 390).getByRole('heading', { name: 'Hand drill' })).toBeHidden();
  await dialog.getByRole('button', { name: 'Arrange', exact: true }).click();
  await expect(dialog).toBeHidden();
  await saved(page);

  const address = await handedOver(request, id, info);
  const visitor = await page.context().newPage();
  const list = visitor.getByRole('link', { name: 'Awl' });
  const heading = visitor.getByRole('heading', { name: 'Hand drill' });
  const back = visitor.getByRole('link', { name: /^Back to/ });
  const focused = () => visitor.evaluate(() => document.activeElement?.id);
  for (const size of [PHONE, UPRIGHT, TURNED, DESKTOP]) {
    await visitor.setViewportSize(size);
    await visitor.goto(address('index.html'));
    const beside = size !== PHONE;
    await expect(list).toBeVisible();
    await expect(heading).toBeVisible({ visible: beside });
    await list.focus();
    await visitor.keyboard.press('Enter');
    await visitor.waitForURL(/tool\.html#tool$/);
    await expect(heading).toBeVisible();
    await expect.poll(focused).toBe('tool');
    await expect(list).toBeVisible({ visible: beside });
    await expect(back).toBeVisible({ visible: !beside });
    if (beside) {
      const [one, other] = [(await list.boundingBox())!, (await heading.boundingBox())!];
      expect(size === UPRIGHT ? other.y > one.y + one.height : other.x > one.x + one.width).toBe(true);
    }
    await visitor.goBack();
    await visitor.waitForURL(/index\.html$/);
    if (size !== PHONE) continue;
    await visitor.goForward();
    await back.press('Enter');
    await visitor.waitForURL(/index\.html#tools$/);
    await expect.poll(focused).toBe('tools');
  }
  await visitor.close();
});

test('a recipe of one’s own: recorded on one thing, seen before and after on another, refused where it isn’t alike', async ({
  page,
  request,
}) => {
  const id = await twoPages(request);
  await openWorkbench(page, id);
  await outline(page, 'Drill item').click();
  await page.keyboard.press('Shift+Y');
  await dialogOf(page).getByRole('button', { name: 'Record what I do to it …' }).click();
  const bar = page.getByRole('form', { name: 'Recording' });
  await expect(bar).toContainText('0 steps');
  await expect(bar.getByRole('button', { name: 'Keep' })).toBeDisabled();
  await page.getByLabel('Find a property').fill('padding-left');
  await page.locator('input[data-property="padding-left"]').fill('33px');
  await page.locator('input[data-property="padding-left"]').press('Enter');
  await expect(bar).toContainText('1 step');
  await bar.getByLabel('Keep as').fill('Set in');
  await bar.getByRole('button', { name: 'Keep' }).click();
  await expect(bar).toBeHidden();

  await page.getByLabel('Find a property').fill('');
  await outline(page, 'Awl item').click();
  await page.getByRole('button', { name: 'Ready arrangements …' }).click();
  await dialogOf(page).getByRole('radio', { name: 'Set in' }).click();
  await expect(after(page, 1280).locator('li').nth(1)).toHaveCSS('padding-left', '33px');
  await dialogOf(page).getByRole('button', { name: 'Arrange', exact: true }).click();
  await expect(frameOf(page).locator('li').nth(1)).toHaveCSS('padding-left', '33px');

  await outline(page, 'Tools').click();
  await page.keyboard.press('Shift+Y');
  await dialogOf(page).getByRole('radio', { name: 'Set in' }).click();
  await expect(dialogOf(page).getByRole('status')).toContainText('Tools is a <ul>, and Set in was made on a <li> there.');
  await page.keyboard.press('Escape');
  await saved(page);
  const { project } = await readProject(request, id);
  expect(project.recipes.map(({ name }) => name)).toEqual(['Set in']);
});

test.describe(() => {
  // Findings are measured here by themselves.
  test.use({ storageState: { cookies: [], origins: [] } });

  test('a header with two menus: it asks which, measures where entries no longer fit; what somebody takes away later is found', async ({
    page,
    request,
  }) => {
    const id = await createProject(request, 'empty');
    const { project } = await readProject(request, id);
    const [first] = project.pages;
    const links = (key: string, words: readonly string[]) => [
      el(
        `e${key}`,
        'nav',
        words.map((_, i) => `e${key}${i}`),
        { name: `Menu ${key}`, styles: { base: { display: 'flex', 'column-gap': '16px' } } },
      ),
      ...words.map((text, i) =>
        el(`e${key}${i}`, 'a', [{ text }], {
          name: text,
          attributes: { href: '#' },
          styles: { base: { 'white-space': 'nowrap' } },
        }),
      ),
    ];
    await makeEdits(request, id, [
      { type: 'addBreakpoint', breakpoint: { id: 'bn', name: 'Narrow', condition: { below: 640 } } },
      {
        ...{ type: 'insertElement', page: first!.id, parent: first!.root, index: 0 },
        elements: [
          el('ehead', 'header', ['ea', 'eb'], {
            name: 'Top',
            styles: { base: { display: 'flex', 'justify-content': 'space-between' } },
          }),
          ...links('a', ['Catalogue of tools', 'Opening hours', 'Repair evenings', 'Membership']),
          ...links('b', ['Join', 'Log in']),
        ],
      },
    ]);
    await openWorkbench(page, id);
    await outline(page, 'Top').click();
    await page.keyboard.press('Shift+Y');
    const dialog = dialogOf(page);
    await dialog.getByRole('radio', { name: 'Entries that drop away' }).click();
    await expect(dialog.getByRole('status')).toContainText('Choose which element is the menu: it can’t be told.');
    await dialog.getByRole('combobox', { name: /^Menu/ }).selectOption('Menu a');
    await expect(dialog.getByRole('status')).toContainText(/Membership drops at \d+ and narrower/, { timeout: 30_000 });
    await expect(after(page, 390).getByRole('button', { name: 'More' })).toBeVisible();
    await dialog.getByRole('button', { name: 'Arrange', exact: true }).click();
    await expect(dialog).toBeHidden();
    await saved(page);
    await swept(page);
    await page.getByRole('tab', { name: /^Findings/ }).click();
    const lost = page.getByTestId('findings').getByText('An arrangement lost content');
    await expect(lost).toBeHidden();
    await goTo(page, 1000);
    await outline(page, 'Opening hours').click();
    await page.getByRole('tab', { name: 'Values' }).click();
    await page.getByLabel('Find a property').fill('display');
    await page.locator('input[data-property="display"]').fill('none');
    await page.locator('input[data-property="display"]').press('Enter');
    await page.getByRole('tab', { name: /^Findings/ }).click();
    await expect(lost.first()).toBeVisible({ timeout: 45_000 });
  });
});
