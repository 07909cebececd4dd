import { ownText } from '@/core/document';
import { expect, test } from '@playwright/test';
import { boxes } from './boxes';
import {
  beginWith,
  chooseSet,
  device,
  devices,
  flip,
  inside,
  onDevice,
  openLineup,
  scrollBy,
  scrollOf,
  topOf,
  valueUnder,
  viewportOf,
  zoom,
} from './lineup';
import { createProject, elementNamed, makeEdits, openWorkbench, readProject, saved, width, write } from './workbench';

// Scrollbars as a browser with a window has them: without, none would take room.
test.use({
  launchOptions: async ({ launchOptions }, use) => use({ ...launchOptions, ignoreDefaultArgs: ['--hide-scrollbars'] }),
});

test('one page on every device: chosen in one and in all, edited in all, each with a value of its own', async ({
  page,
  request,
}) => {
  const id = await boxes(request, 'Line-up');
  await beginWith(request, id, 'dphone', 'dtablet', 'ddesk');
  await openWorkbench(page, id);
  await openLineup(page);
  await expect(devices(page)).toHaveCount(3);
  // Pointers reach into frames only where these are as large as they are.
  await zoom(page, 1);
  await inside(device(page, 'Phone')).getByText('Box A').click();
  await zoom(page, 0.2);
  await expect(page.getByRole('treeitem', { name: /^Box A/ })).toHaveAttribute('aria-selected', 'true');
  // The device in hand decides where edits go.
  expect(await width(page)).toBe(400);
  await expect(page.getByTestId('writes-to')).toHaveText('Writes to 600 and narrower');
  await expect(device(page, 'Desktop').locator('[data-selected=ea]')).toBeVisible();
  await page.getByRole('combobox', { name: 'Value under each frame' }).selectOption('padding-top');
  for (const [name, value] of [
    ['Phone', '6px'],
    ['Tablet', '12px'],
    ['Desktop', '24px'],
  ] as const)
    await expect(valueUnder(device(page, name))).toContainText(`padding-top ${value}`);
  await write(page, 'width', '133px');
  await expect.poll(() => onDevice(device(page, 'Phone'), 'ea', 'width')).toBe('133px');
  expect(await onDevice(device(page, 'Tablet'), 'ea', 'width')).not.toBe('133px');
  await page.getByRole('combobox', { name: 'Value under each frame' }).selectOption('width');
  await expect(valueUnder(device(page, 'Phone'))).toContainText('width 133px · 133 ×');
  await expect(valueUnder(device(page, 'Tablet'))).toContainText('width auto');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => onDevice(device(page, 'Phone'), 'ea', 'width')).not.toBe('133px');
  // Texts are written in place on any device, and are the same on all.
  await zoom(page, 1);
  await device(page, 'Tablet').scrollIntoViewIfNeeded();
  await inside(device(page, 'Tablet')).getByText('Box B').dblclick();
  await page.keyboard.type('Box Beta');
  await page.keyboard.press('Enter');
  await expect(inside(device(page, 'Phone')).getByText('Box Beta')).toBeVisible();
  await saved(page);
  expect(ownText(elementNamed((await readProject(request, id)).project, 'Box B'))).toBe('Box Beta');
});

test('devices by keyboard: from one to the next, turned, all turned; half a screen; another reader; flowing with the cursor', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'demo');
  const css =
    '@media (prefers-color-scheme: dark) { body { outline-style: dashed } } @media (pointer: none) { body { outline-width: 7px } }';
  await makeEdits(request, id, [{ type: 'addSheet', sheet: { id: 'tx', name: 'Readers', css } }]);
  await beginWith(request, id, 'dphone', 'dtablet', 'dnote', 'dtv');
  await openWorkbench(page, id, 'Catalogue');
  await page.keyboard.press('Shift+L');
  await inside(device(page, 'Phone')).locator('body').waitFor();
  await page.keyboard.press('.');
  await expect(device(page, 'Phone')).toHaveAttribute('aria-current', 'true');
  expect(await viewportOf(device(page, 'Phone'))).toEqual([400, 748, 400]);
  await page.keyboard.press('r');
  await expect.poll(() => viewportOf(device(page, 'Phone'))).toEqual([860, 288, 860]);
  expect(await width(page)).toBe(860);
  await page.keyboard.press('r');
  await page.keyboard.press('Shift+R');
  await zoom(page, 0.2);
  await expect.poll(() => viewportOf(device(page, 'Tablet'))).toEqual([1120, 724, 1120]);
  await page.keyboard.press('Shift+R');
  await expect.poll(() => viewportOf(device(page, 'Tablet'))).toEqual([800, 1044, 800]);
  // A classic scrollbar takes room from the page, and says so.
  await expect(device(page, 'Notebook').getByTestId('device-size')).toContainText('1340 × 744 · content 1325');
  await page.getByRole('button', { name: 'More about Notebook' }).click();
  await page.getByRole('menuitem', { name: 'Half of the screen' }).click();
  await expect.poll(() => viewportOf(device(page, 'Notebook'))).toEqual([670, 744, 655]);
  const body = (await readProject(request, id)).project.pages[1]!.root;
  expect(await onDevice(device(page, 'Television'), body, 'outline-width')).toBe('7px');
  expect(await onDevice(device(page, 'Phone'), body, 'outline-width')).not.toBe('7px');
  await page.getByRole('button', { name: 'Reader' }).click();
  await page.getByRole('combobox', { name: 'Colour scheme' }).selectOption('dark');
  await expect.poll(() => onDevice(device(page, 'Tablet'), body, 'outline-style')).toBe('dashed');
  await page.getByRole('combobox', { name: 'Text size' }).selectOption('2');
  await page.keyboard.press('Escape');
  await expect
    .poll(() =>
      inside(device(page, 'Tablet'))
        .locator('html')
        .evaluate((html) => getComputedStyle(html).fontSize),
    )
    .toBe('32px');
  // The device in hand follows the cursor; all of them where that is asked for.
  await page.keyboard.press('Alt+ArrowRight');
  await expect.poll(() => viewportOf(device(page, 'Phone'))).toEqual([401, 748, 401]);
  expect((await viewportOf(device(page, 'Tablet')))[0]).toBe(800);
  await page.keyboard.press('Shift+F');
  await expect.poll(async () => (await viewportOf(device(page, 'Tablet')))[0]).toBe(802);
});

test('frames scroll together by what stands at their top, or alone; whole pages; marks', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  await beginWith(request, id, 'dphone', 'dopen', 'dtablet');
  await openWorkbench(page, id, 'Catalogue');
  await openLineup(page);
  await zoom(page, 0.2);
  const cards = elementNamed((await readProject(request, id)).project, 'Tool cards').id;
  const [phone, open] = [device(page, 'Phone'), device(page, 'Folding phone, open')];
  await inside(open).locator('body').waitFor();
  await scrollBy(phone, 400);
  await expect.poll(() => scrollOf(open)).toBeGreaterThan(0);
  // The same part of the same element: the cards are at the top of both, by the same share of their height.
  const share = async (place: typeof phone) => {
    const top = await topOf(place, cards);
    const height = await inside(place)
      .locator(`[data-mp-node="${cards}"]`)
      .evaluate((one) => one.getBoundingClientRect().height);
    return -top / height;
  };
  await expect.poll(async () => Math.sign(await share(open))).toBe(Math.sign(await share(phone)));
  await page.keyboard.press('Shift+S');
  const before = await scrollOf(open);
  await scrollBy(phone, 500);
  await page.waitForTimeout(300);
  expect(await scrollOf(open)).toBe(before);
  // Whole pages: as high as their content, the first screenful marked where the device ends.
  await flip(page, 'As high as the page');
  await expect.poll(async () => (await viewportOf(phone))[1]).toBeGreaterThan(2_000);
  await expect(phone.getByTestId('screenful')).toBeVisible();
  await page.getByRole('treeitem', { name: /^Tool cards/ }).click();
  await page.keyboard.press('u');
  await expect(open.getByTestId('keep-in')).toContainText('all of Middle: 600 × 750');
  await page.keyboard.press('c');
  await expect(phone.getByText(/^4 columns of/)).toBeVisible();
  await page.keyboard.press('Shift+E');
  await expect(inside(phone).locator('mp-marks')).toHaveCount(1);
  // The same keys, the same marks on the stage.
  await page.keyboard.press('Shift+L');
  await expect(page.getByTestId('keep-in')).toBeVisible();
});

test('a page that grows with its viewport is cut with a word; frames out of sight are told nothing until they come back', async ({
  page,
  request,
}) => {
  const id = await boxes(request, 'Growing');
  await beginWith(request, id, 'dphone', 'ddesk');
  await makeEdits(request, id, [
    { type: 'addSheet', sheet: { id: 'tx', name: 'Old', css: 'html { height: 100% } body { height: calc(100% + 10px) }' } },
  ]);
  await openWorkbench(page, id);
  await openLineup(page);
  await page.keyboard.press('Shift+W');
  await expect(device(page, 'Phone').getByRole('alert')).toContainText('grows with its viewport without end');
  await page.keyboard.press('Shift+W');
  await zoom(page, 1);
  const bed = page.getByRole('group', { name: /^Devices/ });
  const phone = device(page, 'Phone');
  await bed.evaluate((element) => element.scrollTo(0, element.scrollHeight));
  await expect(phone.locator('[data-suspended=true]')).toHaveCount(1);
  await page.getByRole('treeitem', { name: /^Box A/ }).click();
  await page.getByRole('button', { name: 'Narrow', exact: true }).first().click();
  await expect(page.getByRole('button', { name: /^Writes to \d+ and narrower\. Change/ })).toBeVisible();
  await inside(phone)
    .locator('body')
    .evaluate(() => {
      (globalThis as unknown as { told: number }).told = 0;
      addEventListener('message', () => (globalThis as unknown as { told: number }).told++);
    });
  await write(page, 'width', '133px');
  await saved(page);
  await page.waitForTimeout(300);
  const told = () =>
    inside(phone)
      .locator('body')
      .evaluate(() => (globalThis as unknown as { told: number }).told);
  expect(await told()).toBe(0);
  await bed.evaluate((element) => element.scrollTo(0, 0));
  await expect.poll(() => onDevice(phone, 'ea', 'width')).toBe('133px');
});

test('devices of one’s own: added, changed, refused, imported, handed on; sets kept, renamed, forgotten', async ({
  page,
  request,
}) => {
  const id = await boxes(request, 'Devices');
  await beginWith(request, id, 'dphone', 'dtablet');
  await openWorkbench(page, id);
  await page.keyboard.press('Shift+D');
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'New device' }).click();
  const form = dialog.getByRole('form', { name: 'Device' });
  await form.getByLabel('Name').fill('Ticket machine');
  for (const [value, words] of [
    ['0', 'at least 120 px'],
    ['50000', 'at most 6000 px'],
    ['x', 'needs a width'],
  ] as const) {
    await form.getByLabel('Width').fill(value);
    await form.getByRole('button', { name: 'Keep device' }).click();
    await expect(form.getByRole('alert')).toContainText(words);
  }
  await form.getByLabel('Width').fill('480');
  await form.getByRole('button', { name: 'Keep device' }).click();
  await dialog.getByRole('checkbox', { name: 'Ticket machine in the line-up' }).check();
  const table = (text: string) => ({ name: 'd.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  const file = dialog.locator('input[type=file]');
  await file.setInputFiles(table('name,width\nA,300'));
  await expect(dialog.getByRole('alert')).toContainText('no column called height');
  await file.setInputFiles(table('name,width,height\nA,300,600\nA,300,600'));
  await expect(dialog.getByRole('alert')).toContainText('has the same name');
  await file.setInputFiles(table('name,width,height\nTicket machine,500,900\nPoster,1200,1900'));
  await expect(dialog.getByRole('status')).toContainText('1 new devices; 1 have the name');
  await dialog.getByRole('button', { name: 'Take over' }).click();
  await expect(dialog.getByRole('checkbox', { name: 'Poster in the line-up' })).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    dialog.getByRole('button', { name: 'Save as CSV' }).click(),
  ]);
  const lines = (await (await import('node:fs/promises')).readFile(await download.path(), 'utf8')).split('\r\n');
  expect(lines).toContain('Ticket machine,500,900,phone,1,finger,overlay,0,yes,,,');
  await dialog.getByRole('button', { name: 'Keep this line-up as a set' }).click();
  const name = dialog.getByLabel('Name of the set My devices');
  await name.fill('Machines');
  await name.press('Enter');
  await expect(dialog.getByLabel('Name of the set Machines')).toBeVisible();
  await dialog.getByLabel('Name of the set Machines').fill('Other readers');
  await dialog.getByLabel('Name of the set Machines').press('Enter');
  await expect(dialog.getByRole('alert')).toContainText('already');
  await dialog.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(devices(page)).toHaveCount(3);
  await chooseSet(page, 'Shared screens');
  await expect(devices(page)).toHaveCount(5);
  // A device that goes from the project goes from the line-up, and comes back with one undo.
  await page.keyboard.press('Shift+D');
  await dialog.getByRole('button', { name: 'Remove Desktop from the project' }).click();
  await page.keyboard.press('Escape');
  await expect(devices(page)).toHaveCount(4);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(devices(page)).toHaveCount(5);
  await saved(page);
  // What was looked at is there again.
  await page.reload();
  await page.getByRole('tree').waitFor();
  await page.getByRole('button', { name: 'Line up', exact: true }).click();
  await expect(devices(page)).toHaveCount(5);
});
