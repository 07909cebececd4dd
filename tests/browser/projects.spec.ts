import { expect, test } from '@playwright/test';
import type { Project } from '@/core/document';
import { computed, createProject, elementNamed, frameOf, openWorkbench, readProject, saved, width } from './workbench';

// Findings are measured here by themselves.
test.use({ storageState: { cookies: [], origins: [] } });

test('nothing is pressed or typed before the page answers: it waits, and nothing is lost', async ({ page }) => {
  let go = () => undefined as void;
  const arrived = new Promise<void>((done) => (go = done));
  await page.route('**/_next/**/*.js', async (route) => {
    await arrived;
    await route.continue();
  });
  await page.goto('/', { waitUntil: 'commit' });
  const name = page.getByLabel('Name', { exact: true });
  for (const one of [name, page.getByRole('button', { name: 'Bring in pages …' }), page.getByRole('button', { name: 'Looks' })])
    await expect(one).toBeDisabled();
  go();
  await name.fill('Ferry house');
  await page.getByRole('button', { name: 'Bring in pages …' }).click();
  await expect(page.getByRole('heading', { name: 'Bring in pages' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(name).toHaveValue('Ferry house');
});

test('create, rename, delete with confirmation, bring back', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Name', { exact: true }).fill('Quayside café');
  await page.getByRole('button', { name: 'Create empty' }).click();
  await expect(page.getByRole('treeitem')).toHaveCount(4);
  await expect(frameOf(page).locator('h1')).toHaveText('Quayside café');

  await page.goto('/');
  const row = (name: string) => page.getByRole('listitem').filter({ has: page.getByRole('link', { name, exact: true }) });
  await row('Quayside café').getByRole('button', { name: 'Rename' }).click();
  await page.getByLabel('New name of Quayside café').fill('');
  await page.getByRole('button', { name: 'Save name' }).click();
  await expect(page.getByRole('alert').filter({ hasText: "can't be empty" })).toBeVisible();
  await page.getByLabel('New name of Quayside café').fill('Plum orchard');
  await page.getByRole('button', { name: 'Save name' }).click();
  await expect(row('Plum orchard')).toHaveCount(1);

  await row('Plum orchard').getByRole('button', { name: 'Delete' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(row('Plum orchard')).toHaveCount(1);
  await row('Plum orchard').getByRole('button', { name: 'Delete' }).click();
  await page.getByRole('button', { name: 'Delete project' }).click();
  await expect(row('Plum orchard')).toHaveCount(0);
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(row('Plum orchard')).toHaveCount(1);
});

test('a first project begins with a ready set and a tour that is gone through, left at once, or not wanted', async ({
  page,
  request,
}) => {
  const tour = page.getByRole('dialog');
  const offer = page.getByRole('button', { name: 'A short tour of the gauge' });
  await test.step('by keyboard: the set says what it is, and the tour begins by itself, once', async () => {
    await page.goto('/');
    await page.getByLabel('Name', { exact: true }).fill('Ropewalk');
    await page.keyboard.press('Tab');
    await page.keyboard.type('Narrow first, four');
    await expect(page.getByText('Narrow: 430 and wider')).toBeVisible();
    await page.keyboard.press('Tab');
    await page.keyboard.press('Enter');
    await expect(tour).toHaveAccessibleName(/The scale is all widths/);
    await expect(tour).toHaveAccessibleDescription(/the page follows/);
    await page.keyboard.press('Alt+ArrowLeft');
    expect(await width(page)).toBe(1199);
    for (const next of [/Bands lie/, /Edits go/, /Bars are faults/, /Lanes say/]) {
      await page.keyboard.press('Enter');
      await expect(tour).toHaveAccessibleName(next);
    }
    await page.keyboard.press('ArrowLeft');
    await expect(tour).toHaveAccessibleName(/Bars are faults/);
    await page.keyboard.press('Escape');
    await expect(tour).toHaveCount(0);
    await expect(offer).toHaveCount(0);
    const { project } = await readProject(request, /projects\/([^/?]+)/.exec(page.url())![1]!);
    expect([project.baseName, ...project.breakpoints.map(({ name }) => name)]).toEqual([
      'Slim',
      'Narrow',
      'Middle',
      'Wide',
      'Very wide',
    ]);
    await page.reload();
    await page.getByRole('tree').waitFor();
    await expect(tour).toHaveCount(0);
  });
  await test.step('it is offered to whoever opens another’s project first, and shuts nothing off', async () => {
    await page.evaluate(() => localStorage.removeItem('mill-pond-tour'));
    await page.reload();
    await offer.click();
    await expect(tour).toHaveAccessibleName(/The scale/);
    await page.getByRole('treeitem', { name: 'First text' }).click();
    await expect(page.getByRole('treeitem', { name: 'First text' })).toHaveAttribute('aria-selected', 'true');
    await tour.getByRole('button', { name: 'Leave the tour' }).click();
    await page.evaluate(() => localStorage.removeItem('mill-pond-tour'));
    await page.reload();
    await page.getByRole('button', { name: 'Not now' }).click();
    await expect(offer).toHaveCount(0);
  });
  const refused = await request.post('/api/projects', { data: { name: 'No', from: 'empty', set: 'none' } });
  expect([refused.status(), await refused.text()]).toEqual([422, expect.stringContaining('no ready set')]);
});

test('an empty project can be built up: insert, write, break', async ({ page, request }) => {
  const id = await createProject(request, 'empty', 'Made up');
  await page.goto(`/projects/${id}`);
  await page.getByRole('treeitem', { name: 'Main' }).click();
  await page.getByRole('button', { name: 'Insert' }).click();
  await page.locator('[data-entry=button]').click();
  await expect(page.getByRole('treeitem', { selected: true })).toHaveAccessibleName('New button');
  await page.getByRole('textbox', { name: 'Any declaration' }).fill('width: 1400px');
  await page.getByRole('textbox', { name: 'Any declaration' }).press('Enter');
  await expect(frameOf(page).locator('button')).toHaveCSS('width', '1400px');
  await page.getByRole('textbox', { name: 'Any declaration' }).fill('widht: 1px');
  await page.getByRole('textbox', { name: 'Any declaration' }).press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: "isn't a property" })).toBeVisible();
  await saved(page);
  await page.getByRole('tab', { name: /Findings/ }).click();
  await expect(page.getByTestId('findings').getByRole('button', { name: /Page scrolls sideways/ })).toContainText('320 to 1431', {
    timeout: 45_000,
  });
  await page
    .getByTestId('findings')
    .getByRole('button', { name: /New button reaches/ })
    .click();
  expect(await width(page)).toBe(320);
});

test('a project that is not there says so', async ({ page }) => {
  await page.goto('/projects/00000000-0000-4000-8000-000000000000');
  await expect(page.getByRole('alert').filter({ hasText: 'no such project' })).toBeVisible();
});

test('two windows: each sees the other’s edits as they are made; what can not be made again is said', async ({
  page,
  request,
  browser,
}) => {
  const id = await createProject(request, 'demo');
  const elsewhere = await browser.newContext();
  const other = await elsewhere.newPage();
  // Of the windows of one browser one listens for all.
  const third = await elsewhere.newPage();
  await openWorkbench(page, id);
  await openWorkbench(other, id);
  await openWorkbench(third, id);
  const write = async (where: typeof page, name: RegExp, value: string) => {
    await where.getByRole('treeitem', { name }).click();
    await where.getByRole('textbox', { name: 'Any declaration' }).fill(`color: ${value}`);
    await where.getByRole('textbox', { name: 'Any declaration' }).press('Enter');
  };
  const colourIn = (where: typeof page, name: string, project: Project) =>
    computed(where, elementNamed(project, name, 'Front page').id, 'color');
  const { project } = await readProject(request, id);
  await write(page, /^Steps title/, 'red');
  await expect.poll(() => colourIn(other, 'Steps title', project)).toBe('rgb(255, 0, 0)');
  await write(other, /^In today title/, 'blue');
  await expect.poll(() => colourIn(page, 'In today title', project)).toBe('rgb(0, 0, 255)');
  await expect.poll(() => colourIn(third, 'Steps title', project)).toBe('rgb(255, 0, 0)');
  await expect.poll(() => colourIn(third, 'In today title', project)).toBe('rgb(0, 0, 255)');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
  expect((await readProject(request, id)).revision).toBe(2);

  // Without a connection both go on; what was edited here stands on what was removed there.
  await elsewhere.setOffline(true);
  await expect(other.getByTestId('saving')).toContainText(/No connection|does not answer/);
  await write(other, /^Steps title/, 'green');
  await write(other, /^In today title/, 'navy');
  await expect(other.getByTestId('saving')).toContainText('does not answer');
  await page.getByRole('treeitem', { name: /^How it works/ }).click();
  await page.keyboard.press('Delete');
  await saved(page);
  await elsewhere.setOffline(false);
  await expect(other.getByRole('alert').filter({ hasText: 'could not be made' })).toBeVisible();
  await expect(other.getByRole('treeitem', { name: /^Steps title/ })).toHaveCount(0);
  await saved(other);
  await expect.poll(() => colourIn(page, 'In today title', project)).toBe('rgb(0, 0, 128)');
  // The one that listened is closed; the other takes over.
  await other.close();
  await write(page, /^In today title/, 'purple');
  await expect.poll(() => colourIn(third, 'In today title', project)).toBe('rgb(128, 0, 128)');
  await elsewhere.close();
});
