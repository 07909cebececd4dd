import { ownText } from '@/core/document';
import { unzipSync } from 'fflate';
import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import {
  createProject,
  createWithCards,
  elementNamed,
  field,
  frameOf,
  goTo,
  openWorkbench,
  readProject,
  saved,
  swept,
  width,
  write,
} from './workbench';

// Findings are measured here by themselves.
test.use({ storageState: { cookies: [], origins: [] } });

test('from a failing width to handed-over code, with the mouse', async ({ page, request }) => {
  const id = await createWithCards(request, 'By mouse');
  await page.goto('/');
  await page.getByRole('link', { name: 'By mouse' }).click();
  await page.getByRole('button', { name: /^Page:/ }).click();
  await page.getByRole('menuitem', { name: 'Catalogue' }).click();
  await swept(page);

  // Drag the frame's edge until the page fails.
  const edge = page.getByRole('slider', { name: 'Frame width' });
  const before = await width(page);
  const box = (await edge.boundingBox())!;
  await page.mouse.move(box.x + 4, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x - 120, box.y + 20, { steps: 8 });
  await page.mouse.up();
  expect(await width(page)).toBeLessThan(before - 150);

  // A finding leads to its element and its worst width.
  await page.getByRole('tab', { name: /Findings/ }).click();
  const finding = page.getByTestId('findings').getByRole('button', { name: /Notice reaches/ });
  await expect(finding).toContainText('320 to 375');
  await finding.click();
  expect(await width(page)).toBe(320);
  await expect(page.getByRole('treeitem', { selected: true })).toHaveAccessibleName(/Notice/);

  // A breakpoint at the width where it begins to fail, an override there.
  await goTo(page, 375);
  await page.getByRole('tab', { name: 'Values' }).click();
  await page.getByRole('button', { name: /^Writes to/ }).click();
  await page.getByRole('option', { name: /New: 375 and narrower/ }).click();
  await expect(page.getByTestId('writes-to')).toHaveText('Writes to 375 and narrower');
  await field(page, 'width').focus();
  await expect(page.getByTestId('marked')).toHaveAttribute('data-widths', '375 and narrower');
  await write(page, 'width', 'auto');
  await saved(page);
  await swept(page);

  // It is gone, the rest is there, and wider widths did not move.
  await page.getByRole('tab', { name: /Findings/ }).click();
  await expect(page.getByTestId('findings').getByRole('button', { name: /Notice reaches/ })).toHaveCount(0);
  await expect(
    page
      .getByTestId('findings')
      .getByRole('button', { name: /Text is small/ })
      .first(),
  ).toBeVisible();
  const notice = frameOf(page).locator('.notice');
  await expect(notice).toHaveCSS('width', '343px');
  await goTo(page, 376);
  await expect(notice).toHaveCSS('width', '360px');

  const { project } = await readProject(request, id);
  const added = project.breakpoints.find((breakpoint) => 'below' in breakpoint.condition && breakpoint.condition.below === 376)!;
  expect(elementNamed(project, 'Notice').styles[added.id]).toEqual({ width: 'auto' });

  // Download.
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Download HTML and CSS' }).click();
  const files = unzipSync(new Uint8Array(await readFile((await (await download).path())!)));
  const css = new TextDecoder().decode(files['styles.css']);
  expect(css).toMatch(/@media \(width < 376px\) \{\s*\.notice \{\s*width: auto;/);
  expect(new TextDecoder().decode(files['catalogue.html'])).toContain('class="notice"');
});

test('posts are dragged; the page follows, one undo brings them back', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  const post = page.locator('[data-post=bmiddle]');
  await expect(post).toContainText('899');
  const box = (await post.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 60, box.y + 8, { steps: 6 });
  await page.mouse.up();
  const moved = Number((await post.textContent())!.replace(/\D/g, ''));
  expect(moved).toBeGreaterThan(960);
  await saved(page);
  expect((await readProject(request, id)).project.breakpoints.find((one) => one.id === 'bmiddle')!.condition).toEqual({
    below: moved + 1,
  });
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(post).toContainText('899');
});

test('selection by click, several with shift, one edit to all, text in place', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  // At a width that fits the stage unscaled, so that the places the test presses are the page's own.
  await goTo(page, 700);
  const frame = frameOf(page);
  await frame.locator('h3', { hasText: 'Join' }).click();
  await expect(page.getByRole('treeitem', { selected: true })).toHaveAccessibleName('Join title');
  await frame.locator('h3', { hasText: 'Borrow' }).click({ modifiers: ['Shift'] });
  await expect(page.getByRole('treeitem', { selected: true })).toHaveCount(2);
  await write(page, 'font-size', '21px');
  await expect(frame.locator('h3', { hasText: 'Join' })).toHaveCSS('font-size', '21px');
  await expect(frame.locator('h3', { hasText: 'Borrow' })).toHaveCSS('font-size', '21px');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(frame.locator('h3', { hasText: 'Join' })).toHaveCSS('font-size', '18px');
  await expect(frame.locator('h3', { hasText: 'Borrow' })).toHaveCSS('font-size', '18px');

  await frame.locator('h3', { hasText: 'Return' }).dblclick();
  await page.keyboard.type('Bring it <back>');
  await page.keyboard.press('Enter');
  await expect(frame.locator('h3', { hasText: 'Bring it <back>' })).toBeVisible();
  await saved(page);
  expect(ownText(elementNamed((await readProject(request, id)).project, 'Return title'))).toBe('Bring it <back>');
});
