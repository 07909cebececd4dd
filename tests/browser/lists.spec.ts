import { expect, test } from '@playwright/test';
import { unzipSync } from 'fflate';
import { childIds } from '@/core/document';
import { createWithCards, elementNamed, frameOf, openWorkbench, outline, readProject, saved } from './workbench';

// Lists that are fed from tables: made of what is there, typed, taken in from files, tried with every set of rows, handed over.

const CSV = '\uFEFFTool name;Place;Price\r\n"Saw; fine";Wall A;4\r\nAwl;Wall B\r\n';

test('cards become a list with the mouse; its table is typed in, a file is taken in, and all of it is handed over', async ({
  page,
  request,
}) => {
  const id = await createWithCards(request);
  await openWorkbench(page, id, 'Catalogue');
  const cards = frameOf(page).locator('h3');
  const before = await cards.allTextContents();
  await outline(page, 'Tool cards').click();
  await page.getByRole('button', { name: 'Make a list …' }).click();
  await expect(page.getByRole('dialog', { name: 'What will happen' })).toContainText(
    'its 6 items become rows of the table Tool cards',
  );
  await page.getByRole('button', { name: 'Do it' }).click();
  const box = page.getByRole('region', { name: 'List' });
  await expect(box).toBeVisible();
  expect(await cards.allTextContents()).toEqual(before);

  // Another set of rows is another page at once.
  await box.getByRole('combobox', { name: 'Shows' }).selectOption({ label: 'None, 0 rows' });
  await expect(cards).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(cards).toHaveCount(6);

  await box.getByRole('button', { name: 'Edit the table' }).click();
  const table = page.getByRole('dialog', { name: 'Tables' });
  await table.getByLabel('Tool name, row 2').fill('Hand drill');
  await page.keyboard.press('Enter');
  await expect(table.getByLabel('Tool name, row 3')).toBeFocused();
  await expect(cards.nth(1)).toHaveText('Hand drill');

  // Cells of another table are pasted from one on; what is too wide for the table isn't cut off in silence.
  const paste = (text: string) =>
    table.getByLabel('Place, row 6').evaluate((cell, words) => {
      const clipboardData = new DataTransfer();
      clipboardData.setData('text/plain', words);
      cell.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
    }, text);
  await paste('Wall D\tBorrow\nYard\tAsk\n');
  await expect(table.getByLabel('Reserve, row 6')).toHaveValue('Borrow');
  await expect(table.getByLabel('Place, row 7')).toHaveValue('Yard');
  await paste('a\tb\tc\nd\te\tf');
  await expect(table.getByRole('alert')).toContainText('What was copied has 3 columns, and from this cell on the table has 2.');
  await expect(table.getByLabel('Place, row 6')).toHaveValue('Wall D');
  await table.getByRole('button', { name: 'Dismiss' }).click();

  // What can't be read changes nothing, and says why.
  const choose = (label: string) => table.getByLabel(label);
  const broken = 'Tool name,Place\nSaw,Wall A,4\n';
  await choose('New set from a file …').setInputFiles({ name: 'broken.csv', mimeType: 'text/csv', buffer: Buffer.from(broken) });
  await expect(table.getByRole('alert')).toHaveText(
    'broken.csv: Row 2 has 3 cells, and the first row names 2 columns. Is a quotation mark missing? Nothing was changed.',
  );
  await choose('New set from a file …').setInputFiles({ name: 'Saws.csv', mimeType: 'text/csv', buffer: Buffer.from(CSV) });
  await expect(table.getByRole('status')).toContainText('Saws.csv into Saws: 2 rows with 3 columns. New: Price.');
  await expect(table.getByRole('status')).toContainText('Not in the file, so empty: Drawing: picture, Reserve.');
  await expect(table.getByLabel('Tool name, row 1')).toHaveValue('Saw; fine');
  await table.getByLabel('Name of column Place').fill('Tool name');
  await page.keyboard.press('Enter');
  await expect(table.getByRole('alert')).toContainText(/^Two columns are called Tool name\.Dismiss/);
  await expect(table.getByLabel('Name of column Place')).toHaveValue('Place');
  await table.getByRole('button', { name: 'Close' }).click();
  await box.getByRole('combobox', { name: 'Shows' }).selectOption({ label: 'Saws, 2 rows' });
  await expect(cards).toHaveText(['Saw; fine', 'Awl']);
  await saved(page);

  const files = unzipSync(new Uint8Array(await (await request.get(`/api/projects/${id}/export`)).body()));
  const html = new TextDecoder().decode(files['catalogue.html']);
  expect(html.match(/<h3/g)).toHaveLength(2);
  expect(html).toContain('Saw; fine');
});

test('by keyboard: a table of thousands, a row of the list written in place, and ordinary elements again', async ({
  page,
  request,
}) => {
  const id = await createWithCards(request);
  await openWorkbench(page, id, 'Catalogue');
  await outline(page, 'Tool cards').click();
  await page.getByRole('button', { name: 'Make a list …' }).press('Enter');
  await expect(page.getByRole('button', { name: 'Do it' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'List' })).toBeVisible();
  await outline(page, 'Tool cards').focus();
  await page.keyboard.press('Shift+T');
  const table = page.getByRole('dialog', { name: 'Tables' });
  const many = `Tool name\n${Array.from({ length: 5_000 }, (_, i) => `Tool ${i + 1}`).join('\n')}\n`;
  await table
    .getByLabel('New set from a file …')
    .setInputFiles({ name: 'Thousands.csv', mimeType: 'text/csv', buffer: Buffer.from(many) });
  await expect(table.getByRole('grid')).toHaveAttribute('aria-rowcount', '5001');
  // Only rows in sight are drawn; the keyboard goes on to those that aren't.
  expect(await table.getByRole('row').count()).toBeLessThan(80);
  await table.getByLabel('Tool name, row 1', { exact: true }).focus();
  for (let i = 0; i < 40; i++) await page.keyboard.press('ArrowDown');
  await expect(table.getByLabel('Tool name, row 41', { exact: true })).toBeFocused();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('Forty-first');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Escape');
  await expect(table).toHaveCount(0);
  await saved(page);
  const { project } = await readProject(request, id);
  const set = project.tables.at(-1)!.sets.find(({ name }) => name === 'Thousands')!;
  expect([set.rows.length, set.rows[40]![1]]).toEqual([5_000, 'Forty-first']);

  // Written where it stands, a text goes to its cell; undone, it is as it was.
  const title = frameOf(page).locator('h3').nth(2);
  await page
    .getByRole('treeitem', { name: /^Tool name/ })
    .nth(2)
    .click();
  await expect(page.getByRole('region', { name: 'List' })).toContainText('Row 3 of');
  const box = (await page.locator('iframe').boundingBox())!;
  const [x, y, whole] = await title.evaluate((one) => {
    const { left, top, width, height } = one.getBoundingClientRect();
    return [left + width / 4, top + height / 2, innerWidth] as const;
  });
  // The page is shown smaller than it is.
  await page.mouse.dblclick(box.x + (x * box.width) / whole, box.y + (y * box.width) / whole);
  await expect(page.getByRole('toolbar', { name: 'Marks of the text' })).toBeVisible();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('Loft ladder');
  await expect(title).toHaveText('Loft ladder');
  await page.keyboard.press('Escape');
  await saved(page);
  expect((await readProject(request, id)).project.tables.at(-1)!.sets[0]!.rows[2]).toContain('Loft ladder');

  await outline(page, 'Tool cards').click();
  await page.getByRole('button', { name: 'No list longer …' }).press('Enter');
  await expect(page.getByRole('button', { name: 'Do it' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Make a list …' })).toBeVisible();
  await saved(page);
  const after = (await readProject(request, id)).project;
  const cards = elementNamed(after, 'Tool cards', 'Catalogue');
  expect([cards.list, childIds(cards).length]).toEqual([undefined, 6]);
  await expect(title).toHaveText('Loft ladder');
});
