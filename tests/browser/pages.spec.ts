import { unzipSync } from 'fflate';
import { expect, test } from '@playwright/test';
import type { APIRequestContext, Page } from '@playwright/test';
import { createProject, makeEdits, openWorkbench, readProject, saved } from './workbench';

const cards = (page: Page) => page.getByRole('list', { name: 'Pages in their order' }).getByRole('button');
const names = (page: Page) =>
  cards(page).evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')!.replace(/,.*/, '')));
const field = (page: Page, name: string) =>
  page.getByRole('textbox', { name, exact: true }).or(page.getByRole('combobox', { name, exact: true }));
async function write(page: Page, name: string, value: string): Promise<void> {
  await field(page, name).fill(value);
  await field(page, name).press('Enter');
}

async function exported(request: APIRequestContext, id: string): Promise<(path: string) => string | undefined> {
  const files = unzipSync(new Uint8Array(await (await request.get(`/api/projects/${id}/export`)).body()));
  return (path) => files[path] && new TextDecoder().decode(files[path]);
}

test('with the mouse: a page is added, says what it is, goes and comes back; the export says the same', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id, 'Opening hours');
  await page.getByRole('button', { name: 'Pages', exact: true }).click();
  await expect(cards(page)).toHaveCount(6);
  await expect(page.frameLocator('iframe[title="Picture of Join"]').locator('h1')).toHaveText('Join the library');
  await page.getByRole('button', { name: 'Add a page' }).click();
  await page.getByRole('menuitem', { name: /^What stands around Opening hours/ }).click();
  await expect(field(page, 'Name')).toBeFocused();
  await write(page, 'Name', 'Ready for spring');
  await expect(field(page, 'File name')).toHaveValue('ready-for-spring');
  for (const [name, bad, why] of [
    ['File name', 'con', 'Some systems keep this file name'],
    ['File name', 'весна', 'small letters a to z'],
    ['File name', 'index', 'Another page has the file name index.html already.'],
    ['Title', 'x'.repeat(10_000), 'A title has at most 300 characters.'],
    ['Language', 'spring time', 'A language is a tag'],
  ] as const) {
    await write(page, name, bad);
    await expect(page.getByRole('alert').filter({ hasText: why })).toBeVisible();
    await field(page, name).press('Escape');
  }
  await write(page, 'Title', 'Tools for <spring>');
  await write(page, 'Description', 'Spades "and" rakes');
  await write(page, 'Language', 'ar');
  await page.getByLabel('Text runs').selectOption('rtl');
  await write(page, 'Language of the project', 'en-GB');
  const picture = page.frameLocator('iframe[title="Picture of Ready for spring"]').locator('html');
  await expect(picture).toHaveAttribute('dir', 'rtl');
  await expect(picture).toHaveAttribute('lang', 'ar');
  await saved(page);
  const file = await exported(request, id);
  expect(file('ready-for-spring.html')).toContain('<html lang="ar" dir="rtl">');
  expect(file('ready-for-spring.html')).toContain('<title>Tools for &lt;spring&gt;</title>');
  expect(file('ready-for-spring.html')).toContain('<meta name="description" content="Spades &quot;and&quot; rakes">');
  expect(file('index.html')).toContain('<html lang="en-GB">');

  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(cards(page)).toHaveCount(6);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(cards(page)).toHaveCount(7);
  expect(await names(page)).toEqual([
    'Front page',
    'Catalogue',
    'Tool and booking',
    'Opening hours',
    'Ready for spring',
    'Join',
    'All tools',
  ]);
  await saved(page);
  expect((await exported(request, id))('ready-for-spring.html')).toBe(file('ready-for-spring.html'));
});

test('by keyboard: pages are chosen, moved, removed and opened; links to what went are pointed out', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'demo');
  const { project } = await readProject(request, id);
  const hours = project.pages.find(({ name }) => name === 'Opening hours')!;
  const main = Object.values(project.pages[0]!.elements).find(({ tag }) => tag === 'main')!;
  await makeEdits(request, id, [
    {
      type: 'insertElement',
      page: project.pages[0]!.id,
      parent: main.id,
      index: 0,
      elements: [
        {
          ...{ id: 'etohours', tag: 'a', name: 'To the hours', shared: [], styles: {} },
          ...{ attributes: { href: `page:${hours.id}#top` }, children: [{ text: 'Hours' }] },
        },
      ],
    },
  ]);
  await openWorkbench(page, id);
  await page.keyboard.press('Shift+G');
  await cards(page).first().focus();
  await page.keyboard.press('Alt+ArrowRight');
  await expect
    .poll(() => names(page))
    .toEqual(['Catalogue', 'Front page', 'Tool and booking', 'Opening hours', 'Join', 'All tools']);
  await expect(cards(page).nth(1)).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await expect(cards(page).nth(2)).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await expect(cards(page).nth(3)).toBeFocused();
  await expect(page.getByText('6 links of other pages lead here.')).toBeVisible();
  await page.keyboard.press('Delete');
  await expect.poll(() => names(page)).toEqual(['Catalogue', 'Front page', 'Tool and booking', 'Join', 'All tools']);
  await expect(cards(page).nth(3)).toBeFocused();
  await page.keyboard.press('ArrowLeft');
  await expect(cards(page).nth(2)).toBeFocused();
  await page.keyboard.press('ArrowLeft');
  await expect(cards(page).nth(1)).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('tree')).toBeVisible();
  await page.keyboard.press('f');
  await expect(page.getByText('To the hours leads to a page that has been removed.')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('To the hours leads to a page that has been removed.')).toHaveCount(0);
  await page.keyboard.press('Shift+G');
  await expect
    .poll(() => names(page))
    .toEqual(['Catalogue', 'Front page', 'Tool and booking', 'Opening hours', 'Join', 'All tools']);
});

test('pages are put in order by dragging; Escape takes a drag back', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  await page.keyboard.press('Shift+G');
  const order = ['Front page', 'Catalogue', 'Tool and booking', 'Opening hours', 'Join', 'All tools'];
  const drag = async (from: number, to: number, side: number) => {
    const [a, b] = [(await cards(page).nth(from).boundingBox())!, (await cards(page).nth(to).boundingBox())!];
    await page.mouse.move(a.x + a.width / 2, a.y + 40);
    await page.mouse.down();
    await page.mouse.move(a.x + a.width / 2 + 9, a.y + 40);
    await page.mouse.move(b.x + b.width * side, b.y + 40, { steps: 4 });
  };
  await drag(4, 1, 0.2);
  await page.keyboard.press('Escape');
  await page.mouse.up();
  expect(await names(page)).toEqual(order);
  await drag(4, 1, 0.2);
  await page.mouse.up();
  await expect
    .poll(() => names(page))
    .toEqual(['Front page', 'Join', 'Catalogue', 'Tool and booking', 'Opening hours', 'All tools']);
  await drag(0, 4, 0.8);
  await page.mouse.up();
  await expect
    .poll(() => names(page))
    .toEqual(['Join', 'Catalogue', 'Tool and booking', 'Opening hours', 'Front page', 'All tools']);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect.poll(() => names(page)).toEqual(order);
});

test.describe('measured by itself', () => {
  test.use({ storageState: { cookies: [], origins: [] } });

  test('the root text size and the widths of the audit hold for the whole project', async ({ page, request }) => {
    const id = await createProject(request, 'demo');
    await openWorkbench(page, id, 'Opening hours');
    const root = page.frameLocator('iframe').first().locator('html');
    await page.keyboard.press('Shift+G');
    for (const [name, bad, why] of [
      ['Root text size', 'big', 'Write it in percent'],
      ['Root text size', '4px', 'at least 50%'],
      ['Widths of the audit', '320', 'as 320 to 1920'],
      ['Widths of the audit', '900 to 600', 'begins at a narrower width'],
      ['Widths of the audit', '320 to 9000', 'ends at 2560 px at the widest'],
    ] as const) {
      await write(page, name, bad);
      await expect(page.getByRole('alert').filter({ hasText: why })).toBeVisible();
      await field(page, name).press('Escape');
    }
    await write(page, 'Root text size', '18px');
    await expect(field(page, 'Root text size')).toHaveValue('112.5%');
    await write(page, 'Widths of the audit', '590-640');
    await expect(field(page, 'Widths of the audit')).toHaveValue('590 to 640');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Shape', exact: true }).click();
    await expect(root).toHaveCSS('font-size', '18px');
    await page.keyboard.press('f');
    await expect(page.getByText(/^Every width from 590 to 640 (decided|measured)/)).toBeVisible({ timeout: 30_000 });
    await saved(page);
    expect((await exported(request, id))('styles.css')).toContain('html {\n  font-size: 112.5%;\n}');
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await expect(root).toHaveCSS('font-size', '16px');
    await expect(page.getByText(/^Every width from 320 to 1920 (decided|measured)/)).toBeVisible({ timeout: 60_000 });
  });
});

test('a project is duplicated with all its pages, and the two go their own ways', async ({ page, request }) => {
  const name = `Original ${Date.now()}`;
  const id = await createProject(request, 'demo', name);
  await makeEdits(request, id, [{ type: 'removePage', page: 'gjoin' }]);
  await page.goto('/');
  await page.getByRole('button', { name: `Duplicate ${name}`, exact: true }).click();
  await page.getByRole('link', { name: `${name}, copy`, exact: true }).waitFor();
  await page.getByRole('button', { name: `Duplicate ${name}`, exact: true }).click();
  await page.getByRole('link', { name: `${name}, copy 2`, exact: true }).waitFor();
  await page.getByRole('link', { name: `${name}, copy`, exact: true }).click();
  await page.getByRole('tree').waitFor();
  const copy = page.url().split('/').pop()!;
  const [before, after] = [await readProject(request, id), await readProject(request, copy)];
  expect(after.project).toEqual({ ...before.project, id: copy, name: `${name}, copy` });
});
