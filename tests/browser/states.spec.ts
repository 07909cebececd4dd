import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import {
  computed,
  createProject,
  elementNamed,
  field,
  frameOf,
  goTo,
  openWorkbench,
  outline,
  readProject,
  saved,
  showLanes,
  write,
} from './workbench';

const state = (page: Page) => page.getByRole('combobox', { name: 'State', exact: true });
const box = (page: Page) => page.getByRole('combobox', { name: 'Box', exact: true });

test('by mouse: a button looks otherwise when pointed at, per breakpoint, on stage, in lanes and in the story', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  await goTo(page, 1240);
  await outline(page, 'Main button').click();
  const { project: before } = await readProject(request, id);
  const button = elementNamed(before, 'Main button', 'Front page').id;
  const rest = await computed(page, button, 'background-color');
  await state(page).selectOption('Pointed at');
  await expect(page.getByTestId('writes-to')).toHaveText('Writes to base, pointed at');
  await write(page, 'background-color', '#d9a441');
  await expect.poll(() => computed(page, button, 'background-color')).toBe('rgb(217, 164, 65)');
  await goTo(page, 700);
  await write(page, 'background-color', '#1f2b29');
  await expect.poll(() => computed(page, button, 'background-color')).toBe('rgb(31, 43, 41)');
  await showLanes(page);
  await expect(page.locator('[data-lane="background-color"] [role=gridcell]').first()).toHaveAttribute('aria-label', /#1f2b29/);
  await page.getByLabel('Find a property').fill('background');
  await page.getByRole('button', { name: /^Background: .*Where it comes from/ }).click();
  const story = page.getByRole('dialog', { name: 'Background: the whole story' });
  await expect(story.getByText('set when pointed at, at 899 and narrower')).toBeVisible();
  await expect(story.getByText('set when pointed at, at the base')).toBeVisible();
  await page.keyboard.press('Escape');
  // At rest nothing has changed, and real pointing does nothing on the stage.
  await state(page).selectOption('At rest');
  await expect.poll(() => computed(page, button, 'background-color')).toBe(rest);
  await frameOf(page).locator(`[data-mp-node="${button}"]`).hover();
  expect(await computed(page, button, 'background-color')).toBe(rest);
  await saved(page);
  const { project } = await readProject(request, id);
  expect(elementNamed(project, 'Main button', 'Front page').pseudo).toEqual({
    ':hover': { base: { 'background-color': '#d9a441' }, bmiddle: { 'background-color': '#1f2b29' } },
  });
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await saved(page);
  expect(elementNamed((await readProject(request, id)).project, 'Main button', 'Front page').pseudo).toBeUndefined();
});

test('by keyboard: through the states, a box before, and what a box can’t have', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  await outline(page, 'Main button').focus();
  await page.keyboard.press('Enter');
  for (const word of ['pointed at', 'focused', 'pressed', 'current']) {
    await page.keyboard.press('Shift+H');
    await expect(page.getByTestId('writes-to')).toHaveText(`Writes to base, ${word}`);
  }
  await state(page).focus();
  await state(page).selectOption('At rest');
  await box(page).focus();
  await page.keyboard.type('Box b');
  await expect(page.getByTestId('writes-to')).toHaveText('Writes to base, box before');
  await page.getByRole('button', { name: 'Give it an empty one' }).focus();
  await page.keyboard.press('Enter');
  await expect(field(page, 'content')).toHaveValue('""');
  await field(page, 'content').focus();
  await page.keyboard.type('"\\2192"');
  await page.keyboard.press('Enter');
  const { id: button } = elementNamed((await readProject(request, id)).project, 'Main button', 'Front page');
  const before = () =>
    frameOf(page)
      .locator(`[data-mp-node="${button}"]`)
      .evaluate((element) => getComputedStyle(element, '::before').content);
  await expect.poll(before).toBe('"→"');
  await box(page).selectOption('Marker');
  await expect(field(page, 'padding-top')).toHaveCount(0);
  await page.getByRole('textbox', { name: 'Any declaration' }).fill('padding-top: 3px');
  await page.getByRole('textbox', { name: 'Any declaration' }).press('Enter');
  await expect(page.getByText(/A marker takes no padding top/)).toBeVisible();
  await saved(page);
});

test('a shared style has states, the line-up holds them, and one frame another', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  await page.getByRole('tab', { name: 'Styles' }).click();
  await page.locator('[data-shared=sbutton] button').first().click();
  await page.getByRole('combobox', { name: 'State or box' }).selectOption(':active');
  await page.getByLabel(/^Add a declaration to Button when pressed/).fill('opacity: 0.5');
  await page.getByLabel(/^Add a declaration to Button when pressed/).press('Enter');
  await saved(page);
  await page.getByRole('tab', { name: 'Values' }).click();
  await outline(page, 'Main button').click();
  await state(page).selectOption('Pressed');
  const { id: button } = elementNamed((await readProject(request, id)).project, 'Main button', 'Front page');
  await page.getByRole('button', { name: 'Line up', exact: true }).click();
  const frames = page.locator('article[data-place]');
  const opacity = (at: number) =>
    frames
      .nth(at)
      .frameLocator('iframe')
      .locator(`[data-mp-node="${button}"]`)
      .evaluate((element) => getComputedStyle(element).opacity);
  await expect.poll(() => opacity(0)).toBe('0.5');
  await expect.poll(() => opacity(1)).toBe('0.5');
  await frames
    .nth(1)
    .getByRole('button', { name: /^More about/ })
    .click();
  await page.getByRole('menuitem', { name: 'pointed at' }).click();
  await expect.poll(() => opacity(1)).toBe('1');
  expect(await opacity(0)).toBe('0.5');
  await expect(frames.nth(1).getByTestId('device-size')).toContainText('Main button pointed at');
  await frames
    .nth(1)
    .getByRole('button', { name: /^More about/ })
    .click();
  await page.getByRole('menuitem', { name: 'Let go' }).click();
  await expect.poll(() => opacity(1)).toBe('0.5');
});
