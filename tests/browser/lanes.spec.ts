import { expect, test } from '@playwright/test';
import { boxes } from './boxes';
import { computed, goTo, makeEdits, openWorkbench, showLanes } from './workbench';

test('two hundred lanes: only those in sight are drawn, all can be reached, a filter finds one', async ({ page, request }) => {
  const id = await boxes(request, 'Many lanes');
  await makeEdits(request, id, [
    {
      type: 'restyle',
      label: 'Many variables',
      changes: Array.from({ length: 200 }, (_, i) => ({
        owner: 'ea',
        at: i % 2 ? 'bmid' : 'base',
        property: `--v${String(i).padStart(3, '0')}`,
        value: `${i}px`,
      })),
    },
  ]);
  await openWorkbench(page, id);
  await showLanes(page);
  await page.getByRole('treeitem', { name: /^Box A/ }).click();
  const grid = page.getByRole('grid', { name: 'Values along the width' });
  const rows = grid.getByRole('row');
  await expect(grid).toHaveAttribute('aria-rowcount', /^20\d$/);
  expect(await rows.count()).toBeLessThan(40);
  await page.locator('[data-lane="--v000"] [data-stretch]').first().focus();
  for (let i = 0; i < 30; i++) await page.keyboard.press('ArrowDown');
  await expect(page.locator('[data-lane="--v030"] [data-stretch]').first()).toBeFocused();
  await page.mouse.move(700, 720);
  await page.mouse.wheel(0, 10_000);
  await expect(page.locator('[data-lane="padding-top"]')).toBeVisible();
  expect(await rows.count()).toBeLessThan(40);
  await page.getByLabel('Find a lane').fill('v199');
  await expect(rows).toHaveCount(1);
  await expect(page.locator('[data-lane="--v199"]')).toHaveAccessibleName(
    /199px, 601 to 900, set in this band; no value, 901 and wider/,
  );
});

test('an end dragged to a post takes the value up to that breakpoint; a menu gives it to the siblings', async ({
  page,
  request,
}) => {
  const id = await boxes(request, 'Ends');
  await openWorkbench(page, id);
  await showLanes(page);
  await page.getByRole('treeitem', { name: /^Box A/ }).click();
  const cell = page.locator('[data-lane="padding-top"] [data-stretch]').nth(0);
  const end = (await cell.locator('[data-end=below]').boundingBox())!;
  const post = (await page.locator('[data-post=bmid]').boundingBox())!;
  await page.mouse.move(end.x + 3, end.y + 8);
  await page.mouse.down();
  await page.mouse.move(post.x + post.width / 2 + 3, end.y + 8, { steps: 4 });
  await page.mouse.up();
  await goTo(page, 800);
  expect(await computed(page, 'ea', 'padding-top')).toBe('6px');
  await expect(page.locator('[data-post]')).toHaveCount(2);

  await page.locator('[data-lane="padding-top"] [data-stretch]').nth(0).click({ button: 'right' });
  await page.getByRole('menuitem', { name: 'Give to the siblings' }).click();
  await expect(page.getByRole('dialog', { name: 'What will happen' })).toContainText('Gives padding-top of Box A');
  await page.getByRole('button', { name: 'Do it' }).click();
  expect(await computed(page, 'eb', 'padding-top')).toBe('6px');
});

test('by keyboard: a breakpoint from the gauge, the map of the plane, and a story that leads on', async ({ page, request }) => {
  const id = await boxes(request, 'Keys');
  await openWorkbench(page, id);
  await showLanes(page);
  await goTo(page, 1100);
  await page.getByRole('button', { name: '+ breakpoint' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-post]')).toHaveCount(3);
  await page.getByRole('treeitem', { name: /^Box A/ }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('g');
  await expect(page.getByRole('tab', { name: 'Breakpoints' })).toHaveAttribute('aria-selected', 'true');
  await page.getByRole('button', { name: /^Add at/ }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await page.getByTestId('plane').focus();
  await page.keyboard.press('Control+ArrowUp');
  await expect(page.getByTestId('plane-here')).toContainText('Short wins');
  await page.keyboard.press('Shift+ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByTestId('cursor')).toHaveAttribute('aria-valuenow', '1089');

  await page.keyboard.press('v');
  await goTo(page, 500);
  await page.getByRole('button', { name: 'Padding, each side' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /^Padding top: set in this band/ }).focus();
  await page.keyboard.press('Enter');
  const story = page.getByRole('dialog', { name: /whole story/ });
  await expect(story.getByRole('button', { name: /^set at/ })).toHaveText([
    'set at 600 and narrower',
    'set at 900 and narrower',
    'set at the base',
  ]);
  await story.getByRole('button', { name: 'set at 900 and narrower' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('writes-to')).toHaveText('Writes to 900 and narrower');
});

test('what is set here, and what is otherwise at these widths whoever says so, stand first and lead to their fields', async ({
  page,
  request,
}) => {
  await openWorkbench(page, await boxes(request, 'Here'));
  await page.getByRole('treeitem', { name: /^Box A/ }).click();
  await goTo(page, 500);
  const here = page.getByRole('region', { name: 'Set here' }).getByRole('button');
  const others = page.getByRole('region', { name: 'Other at these widths' }).getByRole('button');
  await expect(here).toHaveText([/^Padding top\s*6px$/]);
  await expect(others).toHaveText([/^Text colour\s*#a02020$/]);
  await others.focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-property=color]')).toBeFocused();
  // Written to a weaker breakpoint, what is written there is shown, and what beats it.
  await page.getByTestId('cursor').focus();
  await page.keyboard.press('2');
  await expect(page.getByTestId('writes-to')).toHaveText('Writes to 900 and narrower');
  await expect(here).toHaveText([/^Padding top\s*12px$/, /^Text colour\s*#a02020$/]);
  await expect(others).toHaveText([/^Padding top\s*6px$/]);
  await goTo(page, 1200);
  await expect(here).toHaveText([/^Padding top\s*24px$/, /^Text colour\s*#202020$/]);
  await expect(others).toHaveCount(0);
});

test('a style sheet comes from a file, with what could not be taken over', async ({ page, request }) => {
  const id = await boxes(request, 'File');
  await openWorkbench(page, id);
  await showLanes(page);
  await page.getByRole('tab', { name: 'Styles' }).click();
  await page
    .getByLabel('From a file')
    .setInputFiles({
      name: 'theirs.css',
      mimeType: 'text/css',
      buffer: Buffer.from('div { padding-left: 11px }\n@supports (display: grid) { div { color: red } }'),
    });
  const entry = page.locator('[data-sheet]');
  await expect(entry).toContainText('theirs.css');
  await entry.getByText('One thing was left out').click();
  await expect(entry).toContainText('Line 2: @supports is left out.');
  await expect.poll(() => computed(page, 'eb', 'padding-left')).toBe('11px');
  await entry.getByRole('button', { name: 'Remove theirs.css' }).click();
  await expect.poll(() => computed(page, 'eb', 'padding-left')).toBe('0px');
});
