import { expect, test } from '@playwright/test';
import { AccessibilityTree } from './accessibility-tree';
import { createProject, openWorkbench, readProject, saved } from './workbench';

// Findings are measured here by themselves.
test.use({ storageState: { cookies: [], origins: [] } });

test('every control of every view says what it is, by name, and in which state', async ({ page, request }) => {
  const tree = await AccessibilityTree.of(page);
  const isWell = async (view: string) => expect([view, await tree.faults()]).toEqual([view, []]);
  await page.goto('/');
  await page.getByRole('listitem').first().waitFor();
  await isWell('projects');
  await openWorkbench(page, await createProject(request, 'demo'), 'Catalogue');
  await page.getByRole('treeitem', { name: /^Tool cards/ }).click();
  for (const tab of ['Values', 'Findings', 'Breakpoints', 'Styles', 'Grid']) {
    await page.getByRole('tab', { name: tab }).click();
    await isWell(tab);
  }
  for (const below of ['Lanes', 'Spans']) {
    await page.getByRole('button', { name: below, exact: true }).click();
    await isWell(below);
  }
  await page.getByRole('button', { name: 'Heights' }).click();
  await page.getByRole('button', { name: 'Insert' }).click();
  await isWell('heights and building blocks');
  for (const mode of ['Pages', 'Line up', 'Audit']) {
    await page.getByRole('button', { name: mode }).first().click();
    await isWell(mode);
  }
});

test('seven tasks by keyboard, with only what the accessibility tree says', async ({ page, request }) => {
  const id = await createProject(request, 'demo', 'Unseen');
  const tree = await AccessibilityTree.of(page);
  const key = (name: string) => page.keyboard.press(name);
  const take = async (role: string, name: RegExp, by = 'Enter') => {
    await tree.reach(role, name);
    await key(by);
  };

  await test.step('a project is opened, and one of its pages', async () => {
    await page.goto('/');
    await page.getByRole('listitem').first().waitFor();
    await take('link', /^Unseen$/);
    await page.getByRole('tree').waitFor();
    await take('button', /^Page: Front page/);
    await tree.reach('menuitem', /^Catalogue/, 'ArrowDown');
    await key('Enter');
    await expect.poll(() => tree.names('button')).toContainEqual(expect.stringMatching(/^Page: Catalogue/));
  });

  await test.step('it is looked at 500 px wide', async () => {
    await tree.reach('slider', /^Viewport width/);
    for (let step = 0; step < 90 && Number((await tree.focused()).value) > 500; step++) await key('Shift+ArrowLeft');
    expect((await tree.focused()).value).toBe('500');
  });

  await test.step('a breakpoint is made there', async () => {
    await take('button', /^\+ breakpoint/);
    await expect.poll(() => tree.names('button')).toContainEqual(expect.stringMatching(/^Writes to 500 and narrower/));
  });

  await test.step('an element is selected, and another value written for it', async () => {
    await tree.reach('treeitem', /^Catalogue/);
    await tree.reach('treeitem', /^Tool cards/, 'ArrowDown');
    await key('Enter');
    await tree.reach('textbox', /^Find a property/);
    await page.keyboard.type('row-gap');
    await tree.reach('textbox', /^Gap between rows|^Row gap/);
    await page.keyboard.press('Control+a');
    await page.keyboard.type('9px');
    await key('Enter');
    await expect.poll(() => tree.names('button')).toContainEqual(expect.stringMatching(/gap.*: set in this band/i));
  });

  await test.step('something is hidden there, and shown again', async () => {
    await tree.reach('textbox', /^Find a property/, 'Shift+Tab');
    await page.keyboard.press('Control+a');
    await key('Delete');
    await take('button', /^Seen: out of the layout/);
    await expect.poll(async () => (await tree.focused()).says).toMatchObject({ pressed: 'true' });
    await key('Control+z');
    await expect.poll(async () => (await tree.focused()).says).toMatchObject({ pressed: 'false' });
  });

  await test.step('a fault is gone to', async () => {
    await tree.reach('tab', /^Values/, 'Shift+Tab');
    await key('ArrowRight');
    expect((await tree.focused()).name).toMatch(/^Findings/);
    await take('button', /px past the right edge/);
    await expect.poll(async () => (await tree.focused()).says).toMatchObject({ pressed: 'true' });
  });

  await test.step('it is looked at on devices, and handed over', async () => {
    await take('button', /^Line up/);
    await expect.poll(() => tree.names('Iframe')).toContainEqual(expect.stringMatching(/phone/i));
    await tree.reach('link', /^Download HTML and CSS/);
    const [download] = await Promise.all([page.waitForEvent('download'), key('Enter')]);
    expect(download.suggestedFilename()).toMatch(/\.zip$/);
  });

  await saved(page);
  const { project } = await readProject(request, id);
  const made = project.breakpoints.find(({ condition }) => condition.below === 501)!;
  const cards = Object.values(project.pages[1]!.elements).find(({ name }) => name === 'Tool cards')!;
  expect(cards.styles[made.id]).toEqual({ 'row-gap': '9px' });
});
