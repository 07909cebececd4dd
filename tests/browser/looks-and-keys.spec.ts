import { expect, test } from '@playwright/test';
import type { Locator } from '@playwright/test';
import { createProject, openWorkbench, outline } from './workbench';

// What is kept in this browser: how the program looks, and which keys run what.

test('a theme and a density are chosen by keyboard, hold after a reload, and from the first picture on', async ({
  page,
  request,
}) => {
  await openWorkbench(page, await createProject(request, 'demo'));
  const paper = () => page.evaluate(() => getComputedStyle(document.documentElement).backgroundColor);
  expect(await paper()).toBe('rgb(243, 240, 233)');
  const small = await page.evaluate(() => getComputedStyle(document.body).fontSize);
  await page.getByRole('button', { name: 'Looks' }).press('Enter');
  await page.getByRole('radio', { name: 'Dark' }).press('Space');
  await page.getByRole('radio', { name: /^Roomy/ }).press('Space');
  expect(await paper()).toBe('rgb(27, 32, 30)');
  expect(parseFloat(await page.evaluate(() => getComputedStyle(document.body).fontSize))).toBeGreaterThan(parseFloat(small));
  const answer = await page.reload();
  expect(await answer!.text()).toMatch(/<html lang="en" data-theme="dark" data-density="roomy"/);
  await page.getByRole('tree').waitFor();
  expect(await paper()).toBe('rgb(27, 32, 30)');
  // Light, whatever the system says.
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.getByRole('button', { name: 'Looks' }).click();
  await page.getByRole('radio', { name: 'Light' }).check();
  expect(await paper()).toBe('rgb(243, 240, 233)');
  await page.getByRole('radio', { name: 'As the system' }).check();
  expect(await paper()).toBe('rgb(27, 32, 30)');
});

test('above the page and above the list of elements there is one line at 900 px too, in both densities', async ({
  page,
  request,
}) => {
  await page.setViewportSize({ width: 900, height: 800 });
  await openWorkbench(page, await createProject(request, 'demo'));
  await outline(page, 'Menu').click();
  const tops = (names: readonly string[]) =>
    Promise.all(names.map(async (name) => (await page.getByRole('button', { name, exact: true }).first().boundingBox())!.y));
  const oneLine = async (names: readonly string[]) => {
    const all = await tops(names);
    expect(Math.max(...all) - Math.min(...all)).toBeLessThan(8);
  };
  for (const density of [/^Close/, /^Roomy/]) {
    await page.getByRole('button', { name: 'Looks' }).click();
    await page.getByRole('radio', { name: density }).check();
    await page.keyboard.press('Escape');
    await oneLine(['Writes to base. Change', 'Shown']);
    await oneLine(['Arrange', 'Insert']);
  }
  await page.getByRole('button', { name: 'Shown', exact: true }).first().press('Enter');
  await page.getByRole('button', { name: 'Heights' }).press('Enter');
  await expect(page.getByRole('slider', { name: /height/i }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Use the page' }).press('Enter');
  await page.keyboard.press('Escape');
  // That the page is used is seen without opening anything.
  await expect(page.getByRole('button', { name: 'Using the page' }).first()).toBeVisible();
});

test('a reader’s own colours take the place of all of ours, and what is drawn or told by a tint is still seen', async ({
  page,
  request,
}) => {
  await page.emulateMedia({ forcedColors: 'active', colorScheme: 'dark' });
  await openWorkbench(page, await createProject(request, 'demo'));
  const [canvas, ink, link, grey] = await page.evaluate(() =>
    ['Canvas', 'CanvasText', 'LinkText', 'GrayText'].map((name) => {
      const probe = document.body.appendChild(document.createElement('i'));
      probe.style.color = name;
      const { color } = getComputedStyle(probe);
      probe.remove();
      return color;
    }),
  );
  expect(new Set([canvas, ink, link, grey]).size).toBe(4);
  const style = (of: Locator, name: string) =>
    of.evaluate((one, property) => getComputedStyle(one).getPropertyValue(property), name);
  expect(await style(page.locator('html'), 'background-color')).toBe(canvas);
  expect(await style(page.locator('body'), 'color')).toBe(ink);
  const row = page.getByRole('treeitem').first();
  await row.click();
  await expect(row).toHaveCSS('outline-style', 'solid');
  expect(await style(page.getByRole('button', { name: 'Undo' }), 'color')).toBe(grey);
  // The cursor on the gauge is drawn, and no text.
  const painted = await page
    .getByTestId('cursor')
    .locator('xpath=..')
    .evaluate((one) => [...one.querySelectorAll('[aria-hidden] > *')].map((inner) => getComputedStyle(inner).backgroundColor));
  expect(painted).toContain(link);
});

test('letters are no keys when that is chosen; a key is changed, a conflict told, a file taken in', async ({ page, request }) => {
  await openWorkbench(page, await createProject(request, 'demo'));
  await outline(page, 'Welcome words').click();
  const findings = page.getByRole('tab', { name: /Findings/ });
  await page.keyboard.press('f');
  await expect(findings).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('?');
  await page.getByRole('button', { name: 'Change keys …' }).click();
  const keys = page.getByRole('dialog', { name: 'Keys' });
  await keys.getByRole('checkbox', { name: /by themselves are keys/ }).uncheck();
  await keys.getByLabel('Find a command').fill('show the values');
  await keys.getByRole('button', { name: 'New key for Show the values' }).press('Enter');
  await page.keyboard.press('Control+z');
  await expect(keys.getByRole('alert')).toContainText('Undo');
  await keys.getByRole('button', { name: 'New key for Show the values' }).press('Enter');
  await page.keyboard.press('Alt+v');
  await expect(keys.getByRole('alert')).toHaveCount(0);
  await expect(keys.locator('[data-command=values]')).toContainText('Alt V');
  // A key that controls keep isn't given away.
  await keys.getByRole('button', { name: 'New key for Show the values' }).press('Enter');
  await page.keyboard.press('Home');
  await expect(keys.getByRole('alert')).toContainText('Home stays with fields, lists and buttons. Nothing was changed.');
  await expect(keys.locator('[data-command=values]')).toContainText('Alt V');
  await keys.getByRole('button', { name: 'Close' }).press('Enter');
  await page.keyboard.press('g');
  await expect(findings).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('Alt+v');
  await expect(page.getByRole('tab', { name: 'Values' })).toHaveAttribute('aria-selected', 'true');
  // It is so after a reload, too; what a file says is taken, or refused in words.
  await page.reload();
  await page.getByRole('tree').waitFor();
  await page.keyboard.press('g');
  await expect(page.getByRole('tab', { name: 'Values' })).toHaveAttribute('aria-selected', 'true');
  await page.getByRole('button', { name: 'View', exact: true }).click();
  await page.getByRole('menuitem', { name: /^Change keys/ }).click();
  const file = (text: string) => ({ name: 'keys.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await keys.getByLabel('File of keys').setInputFiles(file('{"undo":"u"}'));
  await expect(keys.getByRole('alert')).toContainText('holds no keys');
  await keys.getByLabel('File of keys').setInputFiles(file('{"characters":true,"own":{"set":["x"],"mark-columns":["End"]}}'));
  await expect(keys.getByRole('checkbox', { name: /by themselves are keys/ })).toBeChecked();
  await expect(keys.getByRole('alert').first()).toContainText('X: ');
  await expect(keys.getByRole('alert').nth(1)).toContainText('End for “Mark: grid columns” stays with');
  await keys.getByRole('button', { name: 'All as usual' }).click();
  await expect(keys.getByRole('alert')).toHaveCount(0);
  const saved = page.waitForEvent('download');
  await keys.getByRole('button', { name: 'Save as a file' }).click();
  expect((await saved).suggestedFilename()).toBe('mill-pond-keys.json');
});
