import { expect, test } from '@playwright/test';
import type { Locator, Page } from '@playwright/test';
import { compareExport } from './rectangles';
import { computed, createProject, elementNamed, frameOf, goTo, openWorkbench, readProject, saved } from './workbench';

/** A place in a box as shares of its size, once the box has come to rest: what is chosen is scrolled into sight first. */
async function placeIn(locator: Locator, across = 0.5, down = 0.5) {
  let box = (await locator.boundingBox())!;
  for (let alike = 0; alike < 3;) {
    await locator.page().waitForTimeout(40);
    const now = (await locator.boundingBox())!;
    alike = now.x === box.x && now.y === box.y && now.width === box.width && now.height === box.height ? alike + 1 : 0;
    box = now;
  }
  return { x: box.x + box.width * across, y: box.y + box.height * down };
}

async function drag(page: Page, from: { x: number; y: number }, to: { x: number; y: number }): Promise<void> {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + 6, from.y + 6, { steps: 2 });
  // The page is asked where everything stands; the answer comes with the next pictures.
  await page.waitForTimeout(120);
  await page.mouse.move(to.x, to.y, { steps: 6 });
  await page.waitForTimeout(80);
}

/** Drags a building block from the palette into an element of the page. */
async function dragBlock(page: Page, entry: string, into: Locator, down = 0.85): Promise<void> {
  await into.scrollIntoViewIfNeeded();
  await drag(page, await placeIn(page.locator(`[data-entry=${entry}]`)), await placeIn(into, 0.5, down));
  await expect(page.getByTestId('drop-mark')).toBeVisible();
  await page.mouse.up();
  await expect(page.getByTestId('drop-mark')).toHaveCount(0);
}

const outline = (page: Page, name: string) => page.getByRole('treeitem', { name: new RegExp(`^${name}(,|$)`) });

test('a page of three sections is built with the mouse, taken through three breakpoints, and handed over', async ({
  page,
  request,
  browser,
}) => {
  const id = await createProject(request, 'empty', 'From nothing, mouse');
  await openWorkbench(page, id);
  await goTo(page, 680);
  await page.getByRole('button', { name: 'View' }).click();
  await page.getByRole('menuitem', { name: 'Fold away: Gauge' }).click();
  await page.getByRole('button', { name: 'Insert' }).click();
  const frame = frameOf(page);
  const main = frame.locator('main');

  for (let i = 0; i < 3; i++) {
    await dragBlock(page, 'section', main, 0.96);
    await expect(frame.locator('section')).toHaveCount(i + 1);
  }
  const section = (n: number) => frame.locator('main > section').nth(n);
  await dragBlock(page, 'heading', section(0), 0.5);
  await dragBlock(page, 'row', section(0), 0.9);
  await dragBlock(page, 'grid', section(1), 0.5);
  await dragBlock(page, 'list', section(2), 0.5);
  await expect(section(0).locator('h2')).toHaveText('New heading');
  await expect(section(1).locator('p')).toHaveCount(3);
  await expect(section(2).locator('li')).toHaveCount(3);

  // Text in place.
  await section(0).locator('h2').scrollIntoViewIfNeeded();
  await section(0).locator('h2').dblclick();
  await page.keyboard.type('What we lend');
  await page.keyboard.press('Enter');
  await expect(section(0).locator('h2')).toHaveText('What we lend');

  // An item is dragged within its grid: in the document.
  const items = section(1).locator('p');
  await items.first().scrollIntoViewIfNeeded();
  await page.keyboard.press('Escape');
  await drag(page, await placeIn(items.nth(0)), await placeIn(items.nth(2), 0.96));
  await expect(page.getByTestId('drag-words')).toHaveText('Moves in the document, within Grid, at all widths');
  await page.mouse.up();
  await expect(items.last()).toHaveText('First');

  // A section is dragged in the outline, before another one.
  await page.getByRole('button', { name: 'Insert' }).click();
  await outline(page, 'Section').nth(2).scrollIntoViewIfNeeded();
  await drag(page, await placeIn(outline(page, 'Section').nth(2), 0.3), await placeIn(outline(page, 'Section').nth(0), 0.3, 0.1));
  await page.mouse.up();
  await expect(section(0).locator('li')).toHaveCount(3);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(section(2).locator('li')).toHaveCount(3);

  // A gap and a padding by their handles; the number is said, the unit stays.
  await outline(page, 'Grid').click();
  await section(1).locator('div').scrollIntoViewIfNeeded();
  const gap = page.locator('[data-handle="Column gap"]');
  const from = await placeIn(gap);
  await drag(page, from, { x: from.x + 12, y: from.y });
  await expect(page.getByTestId('handle-words')).toHaveText('column-gap 28px → base');
  await page.mouse.up();
  await expect(section(1).locator('div')).toHaveCSS('column-gap', '28px');
  // Escape takes a drag back.
  const again = await placeIn(gap);
  await drag(page, again, { x: again.x + 20, y: again.y });
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(section(1).locator('div')).toHaveCSS('column-gap', '28px');
  await outline(page, 'Section').nth(1).click();
  const padding = await placeIn(page.locator('[data-handle="Padding top"]'));
  await page.keyboard.down('Alt');
  await drag(page, padding, { x: padding.x, y: padding.y + 10 });
  await page.mouse.up();
  await page.keyboard.up('Alt');
  await expect(section(1)).toHaveCSS('padding', '42px');

  // Three breakpoints; at each something changes, and only there.
  await page.getByRole('button', { name: 'View' }).click();
  await page.getByRole('menuitem', { name: 'Show: Gauge' }).click();
  const grid = elementNamed((await readProject(request, id)).project, 'Grid').id;
  await outline(page, 'Grid').click();
  await page.getByRole('button', { name: 'Spans', exact: true }).click();
  for (const [width, share, columns] of [
    [960, 'Thirds', 3],
    [640, 'Halves', 2],
    [420, 'Full', 1],
  ] as const) {
    await goTo(page, width);
    await page.getByRole('button', { name: '+ breakpoint' }).click();
    const name = { 960: 'Middle', 640: 'Narrow', 420: 'Very narrow' }[width];
    await page.getByRole('button', { name: `${share} in ${name}` }).click();
    await expect
      .poll(
        async () => (await computed(page, grid, 'grid-template-columns')).split(' ').filter((track) => track !== '0px').length,
      )
      .toBeGreaterThanOrEqual(columns);
  }
  // A span dragged in its cell: one of the halves takes both columns.
  const cell = page.getByRole('gridcell', { name: /^Second, Narrow/ });
  const before = await cell.getAttribute('data-value');
  const end = await placeIn(cell.locator('[data-end]'));
  const box = (await cell.boundingBox())!;
  await drag(page, end, { x: end.x + box.width / 2, y: end.y });
  await page.mouse.up();
  expect(Number(await cell.getAttribute('data-value'))).toBe(Number(before) * 2);
  await expect(page.getByRole('columnheader', { name: /^Narrow:/ })).toContainText('2 rows');
  await expect(page.getByRole('columnheader', { name: /^Middle:/ })).toContainText('one row');

  await saved(page);
  const preview = await browser.newPage();
  try {
    await compareExport(page, preview, request, id, [320, 420, 421, 641, 961, 1440], 40);
  } finally {
    await preview.close();
  }
});
