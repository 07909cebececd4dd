import { expect, test } from '@playwright/test';
import type { Edit } from '@/core/edits';
import { createProject, makeEdits, openWorkbench, readProject, swept } from './workbench';

// Of long lists only what is in sight is drawn; all of it is reached, by keyboard too.

const COUNT = 160;
/** A project has at most 60. */
const PAGES = 59;

test('many pages: the rows of cards in sight are drawn, and arrows lead to the last one', async ({ page, request }) => {
  const id = await createProject(request, 'empty', 'Many pages');
  const { project } = await readProject(request, id);
  const first = project.pages[0]!;
  const one = (i: number): Edit => ({
    type: 'addPage',
    index: i + 1,
    page: {
      ...first,
      ...{ id: `gmany${i}`, name: `Page ${i}`, slug: `page-${i}`, root: `eroot${i}` },
      elements: { [`eroot${i}`]: { ...first.elements[first.root]!, id: `eroot${i}`, children: [] } },
    },
  });
  await makeEdits(
    request,
    id,
    Array.from({ length: PAGES }, (_, i) => one(i)),
  );
  await openWorkbench(page, id);
  await page.getByRole('button', { name: 'Pages', exact: true }).click();
  const cards = page.locator('[data-page]');
  await expect(cards.first()).toBeVisible();
  expect(await cards.count()).toBeLessThan(PAGES - 20);
  await page.locator(`[data-page="${first.id}"]`).focus();
  for (let i = 0; i < 40; i++) await page.keyboard.press('ArrowRight');
  await expect(page.locator('[data-page="gmany39"]')).toBeFocused();
  await expect(page.locator('[data-page="gmany39"]')).toBeInViewport();
  await page.getByRole('list', { name: 'Pages in their order' }).evaluate((list) => list.scrollIntoView({ block: 'end' }));
  await expect(page.locator(`[data-page="gmany${PAGES - 1}"]`)).toBeInViewport();
  expect(await cards.count()).toBeLessThan(PAGES - 20);
});

test('a row of many items: of its spans those in sight are drawn, and arrows lead to the last one', async ({ page, request }) => {
  const id = await createProject(request, 'empty', 'Many items');
  const { project } = await readProject(request, id);
  const { id: pageId, root } = project.pages[0]!;
  const element = (name: string, styles: Record<string, string>, children: string[]) => ({
    ...{ id: name, tag: 'div', name, attributes: {}, shared: [], children, styles: { base: styles } },
  });
  const items = Array.from({ length: COUNT }, (_, i) => `el${i}`);
  const row = element('erow', { display: 'grid', 'grid-template-columns': 'repeat(12, 1fr)' }, items);
  await makeEdits(request, id, [
    {
      ...{ type: 'insertElement', page: pageId, parent: root, index: 0 },
      elements: [row, ...items.map((name) => element(name, { 'grid-column-end': 'span 3' }, []))],
    },
  ]);
  await openWorkbench(page, id);
  await page.getByRole('treeitem', { name: /^erow/ }).click();
  await page.getByRole('button', { name: 'Spans' }).click();
  const table = page.getByTestId('span-table');
  await expect(table).toHaveAttribute('aria-rowcount', String(COUNT + 1));
  await table.locator('[data-span="0 0"]').focus();
  for (let i = 0; i < 45; i++) await page.keyboard.press('ArrowDown');
  await expect(table.locator('[data-span="45 0"]')).toBeFocused();
  await expect(table.locator('[data-span="45 0"]')).toBeInViewport();
  // On the way back the heads don't lie over it.
  for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowUp');
  const cell = (await table.locator('[data-span="25 0"]').boundingBox())!;
  const heads = (await table.getByRole('row').first().boundingBox())!;
  await expect(table.locator('[data-span="25 0"]')).toBeFocused();
  expect(cell.y).toBeGreaterThanOrEqual(heads.y + heads.height - 1);
  await table.evaluate((one) => one.scrollTo(0, one.scrollHeight));
  await expect(table.locator(`[data-span="${COUNT - 1} 0"]`)).toBeInViewport();
  expect(await table.getByRole('row').count()).toBeLessThan(80);
});

test.describe('measured', () => {
  test.use({ storageState: { cookies: [], origins: [] } });

  test('many elements with one finding: those in sight are drawn, each says which of how many it is', async ({
    page,
    request,
  }) => {
    const id = await createProject(request, 'empty', 'Many links');
    const { project } = await readProject(request, id);
    const { id: pageId, root } = project.pages[0]!;
    const elements = Array.from({ length: COUNT }, (_, i) => ({
      ...{ id: `el${i}`, tag: 'button', name: `Key ${i}`, attributes: {}, text: '+', children: [], shared: [] },
      styles: { base: { 'min-width': '0px', width: '14px', height: '14px', 'padding-left': '0px', 'padding-right': '0px' } },
    }));
    const box = {
      id: 'ekeys',
      tag: 'div',
      name: 'Keys',
      attributes: {},
      children: elements.map((one) => one.id),
      shared: [],
      styles: {},
    };
    const insert = { type: 'insertElement', page: pageId, parent: root, index: 0, elements: [box, ...elements] };
    await makeEdits(request, id, [
      insert as unknown as Edit,
      { type: 'setProject', field: 'range', value: { first: 320, last: 420 } },
    ]);
    await openWorkbench(page, id);
    await swept(page);
    await page.getByRole('tab', { name: /Findings/ }).click();
    await page.getByTestId('findings').getByRole('button', { name: /small/i }).first().click();
    const list = page.getByRole('list', { name: 'Elements with this finding' });
    const rows = list.getByRole('listitem');
    await expect(rows.first()).toHaveAttribute('aria-setsize', String(COUNT));
    expect(await rows.count()).toBeLessThan(COUNT / 2);
    await list.evaluate((element) => (element.parentElement!.scrollTop = element.parentElement!.scrollHeight));
    const last = list.getByRole('button', { name: `Key ${COUNT - 1}` });
    await last.click();
    await expect(last).toHaveAttribute('aria-pressed', 'true');
    await expect(page.getByRole('treeitem', { name: new RegExp(`^Key ${COUNT - 1}(,|$)`) })).toHaveAttribute(
      'aria-selected',
      'true',
    );
  });
});
