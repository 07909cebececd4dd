import { childIds } from '@/core/document';
import { expect, test } from '@playwright/test';
import {
  createProject,
  createWithCards,
  elementNamed,
  field,
  frameOf,
  openWorkbench,
  readProject,
  saved,
  swept,
  width,
} from './workbench';

// Findings are measured here by themselves.
test.use({ storageState: { cookies: [], origins: [] } });

test('the same story by keyboard only', async ({ page, request }) => {
  const id = await createWithCards(request, 'By keyboard');
  await openWorkbench(page, id, 'Catalogue');
  await swept(page);
  const key = (name: string) => page.keyboard.press(name);

  // To the widest width with a finding, by key.
  await page.getByTestId('cursor').focus();
  await key('Home');
  await key('m');
  expect(await width(page)).toBe(320);
  await key('m');
  const next = await width(page);
  expect(next).toBeGreaterThan(320);
  await expect(page.getByTestId('cursor')).toHaveAttribute(
    'aria-valuetext',
    new RegExp(`^${next} pixels, band Narrow, \\d+ findings?$`),
  );
  await key('k');
  expect(await width(page)).toBe(599);
  await key('Shift+ArrowLeft');
  expect(await width(page)).toBe(589);

  // A card in the outline: walk to it, select it.
  const tree = page.getByRole('tree');
  await tree.getByRole('treeitem').first().focus();
  for (let i = 0; i < 80; i++) {
    if (await page.evaluate(() => document.activeElement?.getAttribute('aria-label')?.startsWith('Claw hammer card'))) break;
    await key('ArrowDown');
  }
  await key('Enter');
  await expect(page.getByRole('treeitem', { selected: true })).toHaveAccessibleName(/^Claw hammer card/);

  // A new breakpoint here, by key from the tree; its height back to automatic.
  await key('b');
  await expect(page.getByTestId('writes-to')).toHaveText('Writes to 589 and narrower');
  await field(page, 'height').focus();
  await page.keyboard.type('nonsense');
  await key('Enter');
  await expect(page.getByRole('alert').filter({ hasText: "isn't a value that height" })).toBeVisible();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('auto');
  await key('Enter');
  await expect(page.getByRole('alert').filter({ hasText: "isn't a value" })).toHaveCount(0);
  await saved(page);
  const { project } = await readProject(request, id);
  const added = project.breakpoints.find((one) => 'below' in one.condition && one.condition.below === 590)!;
  expect(elementNamed(project, 'Claw hammer card', 'Catalogue').styles[added.id]).toEqual({ height: 'auto' });
  // 599 keeps its own: the breakpoint between 590 and 599 still cuts.
  await swept(page);
  await page.getByRole('tab', { name: /Findings/ }).focus();
  await key('Enter');
  await page
    .getByTestId('findings')
    .getByRole('button', { name: /^Content is cut off/ })
    .first()
    .focus();
  await key('Enter');
  const alike = page.getByRole('list', { name: 'Elements with this finding' });
  await expect(alike.getByRole('button', { name: /^Claw hammer card/ })).toContainText('590 to 599');

  // Undo and redo, also after a reload.
  await page.getByTestId('cursor').focus();
  await key('Control+z');
  await key('Control+z');
  await saved(page);
  expect((await readProject(request, id)).project.breakpoints).toHaveLength(3);
  await page.reload();
  await page.getByRole('tree').waitFor();
  await page.getByTestId('cursor').focus();
  await key('Control+y');
  await key('Control+y');
  await saved(page);
  expect(elementNamed((await readProject(request, id)).project, 'Claw hammer card', 'Catalogue').styles[added.id]).toEqual({
    height: 'auto',
  });
});

test('numbers step with the arrows and are undone as one', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  await page.getByRole('treeitem', { name: /^Steps title/ }).click();
  await field(page, 'font-size').focus();
  await expect(field(page, 'font-size')).toHaveValue('24px');
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Shift+ArrowUp');
  await expect(field(page, 'font-size')).toHaveValue('37px');
  await expect(frameOf(page).locator('h2').first()).toHaveCSS('font-size', '37px');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(field(page, 'font-size')).toHaveValue('24px');
});

test('the outline is a tree: fold, walk, rename, remove, duplicate, move', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  const item = (name: string | RegExp) => page.getByRole('treeitem', { name });
  const count = await page.getByRole('treeitem').count();
  await item(/^Welcome words/).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(item(/^Welcome words/)).toHaveAttribute('aria-expanded', 'false');
  expect(await page.getByRole('treeitem').count()).toBeLessThan(count);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(item(/^Title$/)).toBeFocused();
  await page.keyboard.press('F2');
  await page.keyboard.type('Logo');
  await page.keyboard.press('Enter');
  await expect(item('Logo')).toBeFocused();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Control+d');
  await expect(item('Logo')).toHaveCount(2);
  await page.keyboard.press('Delete');
  await expect(item('Logo')).toHaveCount(1);
  await item('Logo').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Alt+ArrowDown');
  await saved(page);
  const { project } = await readProject(request, id);
  const words = elementNamed(project, 'Welcome words');
  expect(childIds(words).map((child) => project.pages[0]!.elements[child]!.name)).toEqual([
    'Introduction',
    'Logo',
    'Short introduction',
    'Main button',
  ]);
});

test('all commands are listed with their keys and can be run from the list', async ({ page, request }) => {
  await openWorkbench(page, await createProject(request, 'demo'));
  await page.getByTestId('cursor').focus();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Commands and keys' })).toBeVisible();
  await page.keyboard.type('previous breakpoint');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect.poll(() => width(page)).toBe(900);
});
