import { childIds, ownText } from '@/core/document';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { compareExport } from './rectangles';
import { createProject, elementNamed, frameOf, openWorkbench, readProject, saved, width } from './workbench';

/** The name of the one selected element. */
const selected = (page: Page) => page.getByRole('treeitem', { selected: true });

/** Puts a building block in: its palette is a key away, its name finds it, Enter takes it. */
async function insert(page: Page, words: string): Promise<void> {
  const find = page.getByRole('textbox', { name: 'Find a building block' });
  if ((await find.count()) === 0) await page.keyboard.press('i');
  else await find.focus();
  await expect(find).toBeFocused();
  await page.keyboard.press('Control+a');
  await page.keyboard.type(words);
  await page.keyboard.press('Enter');
}

/** Finds an element by name and selects it. */
async function choose(page: Page, words: string): Promise<void> {
  await page.getByRole('textbox', { name: 'Find an element by name or text' }).focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type(words);
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page.locator('[role=treeitem][aria-selected=true]').focus();
}

async function writeValue(page: Page, property: string, value: string): Promise<void> {
  await page.getByLabel('Find a property').focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type(property);
  await page.locator(`input[data-property="${property}"]`).focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type(value);
  await page.keyboard.press('Enter');
}

async function toWidth(page: Page, wanted: number): Promise<void> {
  await page.getByTestId('cursor').focus();
  for (let step = 0; step < 120; step++) {
    const missing = wanted - (await width(page));
    if (missing === 0) break;
    await page.keyboard.press(`${Math.abs(missing) >= 10 ? 'Shift+' : ''}Arrow${missing > 0 ? 'Right' : 'Left'}`);
  }
}

test('the same page is built with the keyboard alone, taken through three breakpoints, and handed over', async ({
  page,
  request,
  browser,
}) => {
  const id = await createProject(request, 'empty', 'From nothing, by keys');
  await openWorkbench(page, id);
  const frame = frameOf(page);
  for (const block of ['heading', 'row', 'grid', 'list']) {
    if (block !== 'row') {
      await choose(page, 'Main');
      await insert(page, 'section');
      await expect(selected(page)).toHaveAccessibleName('Section');
    } else await choose(page, 'New heading');
    await insert(page, block);
  }
  await expect(frame.locator('main > section')).toHaveCount(3);
  await expect(frame.locator('main > section').nth(0).locator('h2 + div > p')).toHaveCount(2);
  await expect(frame.locator('main > section').nth(1).locator('p')).toHaveCount(3);

  // Reordered, moved into another parent and out again, grouped, copied to its end.
  await choose(page, 'Third');
  await page.keyboard.press('Alt+ArrowUp');
  await expect(frame.locator('main > section').nth(1).locator('p').nth(1)).toHaveText('Third');
  await page.keyboard.press('[');
  await page.keyboard.press('Enter');
  await expect(frame.locator('main > section').nth(1).locator('> p')).toHaveText('Third');
  await page.locator('[role=treeitem][aria-selected=true]').focus();
  await page.keyboard.press(']');
  await expect(frame.locator('main > section').nth(1).locator('> div > p')).toHaveText(['First', 'Second', 'Third']);
  await page.keyboard.press('s');
  await expect(selected(page)).toHaveCount(3);
  await page.keyboard.press('Control+c');
  await page.keyboard.press('Control+v');
  await expect(frame.locator('main > section').nth(1).locator('> div > p')).toHaveCount(6);
  await page.keyboard.press('p');
  await expect(selected(page)).toHaveAccessibleName('Texts');
  await page.keyboard.press('Shift+P');
  await expect(frame.locator('main > section').nth(1).locator('> div > p')).toHaveCount(6);
  await expect(selected(page)).toHaveCount(3);
  await page.keyboard.press('Delete');
  await expect(frame.locator('main > section').nth(1).locator('> div > p')).toHaveCount(3);

  // Three breakpoints, each with a value of its own.
  const columns = [
    ['960', 'repeat(3, minmax(0, 1fr))'],
    ['640', 'repeat(2, minmax(0, 1fr))'],
    ['420', 'minmax(0, 1fr)'],
  ] as const;
  for (const [at, value] of columns) {
    await choose(page, 'Grid');
    await toWidth(page, Number(at));
    await page.keyboard.press('b');
    await expect(page.getByTestId('writes-to')).toHaveText(`Writes to ${at} and narrower`);
    await writeValue(page, 'grid-template-columns', value);
  }
  // An item earlier, only where edits go: its place in the document stays.
  await choose(page, 'Second');
  await expect(selected(page)).toHaveAccessibleName(/^Second/);
  await page.keyboard.press('Shift+Alt+ArrowUp');
  // A nudge and a handle, by keys.
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('h');
  await expect(page.locator('[data-handle=Width]')).toBeFocused();
  await page.keyboard.press('Shift+ArrowLeft');
  await saved(page);
  const { project } = await readProject(request, id);
  const slim = project.breakpoints.find(({ condition }) => condition.below === 421)!.id;
  const [first, second] = childIds(elementNamed(project, 'Row')).map((child) => project.pages[0]!.elements[child]!);
  expect([ownText(first!), ownText(second!)]).toEqual(['First', 'Second']);
  expect(first!.styles[slim]).toEqual({ order: '1' });
  expect(second!.styles[slim]!['margin-left']).toBe('11px');
  expect(second!.styles[slim]!.width).toMatch(/px$/);

  const preview = await browser.newPage();
  try {
    await compareExport(page, preview, request, id, [320, 420, 421, 641, 961, 1440], 40);
  } finally {
    await preview.close();
  }
});
