import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { Locator, Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { unzipSync } from 'fflate';
import type { Child, PageElement } from '@/core/document';
import type { Edit } from '@/core/edits';
import { createProject, elementNamed, frameOf, goTo, makeEdits, openWorkbench, outline, readProject, saved } from './workbench';

// A row whose items drop into a menu just where they no longer fit: measured, kept right, used, handed over.

const WORDS = ['Catalogue', 'Opening hours', 'Courses', 'Repair evenings', 'Join us'];

const element = (
  id: string,
  tag: string,
  name: string,
  children: readonly Child[],
  base: Record<string, string>,
): PageElement => ({
  ...{ id, tag, name, children, shared: [], styles: { base } },
  attributes: tag === 'a' ? { href: '#' } : {},
});

async function rowProject(request: Parameters<typeof createProject>[0]): Promise<string> {
  const id = await createProject(request, 'empty');
  const { project } = await readProject(request, id);
  const { id: page, root } = project.pages[0]!;
  const head = {
    display: 'flex',
    'justify-content': 'space-between',
    'column-gap': '32px',
    'padding-left': '24px',
    'padding-right': '24px',
  };
  const insert: Edit = {
    ...{ type: 'insertElement', page, parent: root, index: 0 },
    elements: [
      element('ehead', 'header', 'Top', ['ebrand', 'elinks'], head),
      element('ebrand', 'a', 'Brand', [{ text: 'Quayside Repair Club' }], {}),
      element(
        'elinks',
        'nav',
        'Links',
        WORDS.map((_, i) => `elink${i}`),
        { display: 'flex', 'column-gap': '20px' },
      ),
      ...WORDS.map((text, i) => element(`elink${i}`, 'a', text, [{ text }], {})),
    ],
  };
  await makeEdits(request, id, [insert]);
  return id;
}

const seen = (row: Locator) =>
  row.evaluate((nav) => [...nav.children].filter((one) => one.checkVisibility()).map((one) => one.textContent));

/** Whether the row stands on one line, with nothing of it past the edge of the page. */
const standsWell = (row: Locator) =>
  row.evaluate((nav) => {
    const boxes = [...nav.children].filter((one) => one.checkVisibility()).map((one) => one.getBoundingClientRect());
    return (
      Math.max(...boxes.map(({ height }) => height)) < 34 && Math.max(...boxes.map(({ right }) => right)) <= innerWidth - 24 + 0.1
    );
  });

const widthsOf = async (page: Page) =>
  (await page.getByRole('region', { name: 'What drops' }).getByRole('listitem').locator('.font-mono').allTextContents()).map(
    (text) => Number(/\d+/.exec(text)),
  );

test('items drop into a menu where they no longer fit, measured; a longer label is measured anew; handed over and used', async ({
  page,
  request,
}, info) => {
  const id = await rowProject(request);
  await openWorkbench(page, id);
  await outline(page, 'Links').click();
  await page.getByRole('button', { name: 'Let items drop …' }).press('Enter');
  const dialog = page.getByRole('dialog', { name: 'Let items of Links drop away' });
  // Courses go first; everything may not go without a menu.
  const order = dialog.getByRole('list', { name: 'Order in which items drop' });
  await dialog.getByRole('checkbox', { name: 'Catalogue' }).check();
  await dialog.getByRole('radio', { name: 'is hidden' }).check();
  await dialog.getByRole('button', { name: 'Measure and let drop' }).click();
  await expect(dialog.getByRole('status')).toHaveText('Something must stay in Links: nothing would be left of it.');
  await dialog.getByRole('checkbox', { name: 'Catalogue' }).uncheck();
  await dialog.getByRole('radio', { name: /shows in a menu/ }).check();
  await dialog.getByRole('button', { name: 'Courses drops earlier' }).press('Enter');
  await dialog.getByRole('button', { name: 'Courses drops earlier' }).press('Enter');
  await expect(order.getByRole('listitem')).toHaveText([
    /^Courses/,
    /^Join us/,
    /^Repair evenings/,
    /^Opening hours/,
    /^Catalogue/,
  ]);
  await dialog.getByRole('button', { name: 'Measure and let drop' }).click();
  await expect(dialog).toBeHidden();
  await expect.poll(() => widthsOf(page)).toHaveLength(4);
  const widths = await widthsOf(page);
  expect(widths).toEqual([...widths].sort((a, b) => b - a));
  const row = frameOf(page).getByRole('navigation');
  const all = WORDS;
  await goTo(page, widths[0]!);
  await expect.poll(() => seen(row)).toEqual(all);
  expect(await standsWell(row)).toBe(true);
  await goTo(page, widths[0]! - 1);
  await expect.poll(() => seen(row)).toEqual([...all.filter((one) => one !== 'Courses'), 'More']);
  expect(await standsWell(row)).toBe(true);
  // The one step back and forth.
  await page.keyboard.press('ControlOrMeta+z');
  await expect.poll(() => seen(row)).toEqual(all);
  expect(await standsWell(row)).toBe(false);
  await page.keyboard.press('ControlOrMeta+Shift+z');
  await expect.poll(() => seen(row)).toContain('More');

  // A label gets longer: as soon as it is saved, everything drops earlier, by just as much.
  await outline(page, 'Catalogue').click();
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type(' of tools');
  await page.keyboard.press('Escape');
  await outline(page, 'Links').click();
  await expect.poll(async () => (await widthsOf(page))[0]! > widths[0]! + 30).toBe(true);
  const longer = await widthsOf(page);
  await saved(page);

  // By somebody else's edit it gets short again, which only the audit tells of; it is fitted by hand.
  await makeEdits(request, id, [{ type: 'setText', node: 'elink0', text: 'All' } as Edit]);
  await page.getByRole('button', { name: 'Fit again' }).click();
  await expect.poll(async () => (await widthsOf(page))[0]! < longer[0]! - 60).toBe(true);
  await saved(page);

  // As a visitor, from disk: at every edge the row is as full as can be, and the menu has the rest.
  const folder = info.outputPath('handed');
  for (const [path, bytes] of Object.entries(
    unzipSync(new Uint8Array(await (await request.get(`/api/projects/${id}/export`)).body())),
  )) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), bytes);
  }
  const last = await widthsOf(page);
  const { project } = await readProject(request, id);
  expect(elementNamed(project, 'Links').drops!.items).toHaveLength(4);
  await page.goto(pathToFileURL(join(folder, 'index.html')).href);
  const nav = page.getByRole('navigation');
  for (const [i, width] of last.entries())
    for (const by of [0, -1]) {
      await page.setViewportSize({ width: width + by, height: 700 });
      const dropped = last.filter((one) => width + by < one).length;
      expect([width, by, (await seen(nav)).length, await standsWell(nav)]).toEqual([
        width,
        by,
        5 - dropped + (dropped > 0 ? 1 : 0),
        true,
      ]);
      if (by === 0 || i !== 1) continue;
      await page.getByRole('button', { name: 'More' }).press('Enter');
      await expect(page.locator('[popover]').getByRole('link')).toHaveText(['Courses', 'Join us']);
      await page.keyboard.press('Escape');
      await expect(page.locator('[popover]')).toBeHidden();
    }
});
