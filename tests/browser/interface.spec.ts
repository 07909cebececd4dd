import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import {
  createProject,
  elementNamed,
  field,
  frameOf,
  goTo,
  openWorkbench,
  readProject,
  saved,
  showLanes,
  width,
  write,
} from './workbench';

test('no answer from the server: edits are kept, said, and sent again', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id, 'Catalogue');
  await page.getByRole('treeitem', { name: /^Notice/ }).click();
  await page.route('**/edits', (route) => route.abort());
  await write(page, 'width', '300px');
  await expect(page.getByTestId('saving')).toContainText('does not answer');
  await write(page, 'height', '80px');
  await expect(frameOf(page).locator('.notice')).toHaveCSS('height', '80px');
  const bar = page.getByRole('status', { name: 'No connection to the server' });
  await expect(bar).toContainText('2 edits wait in this window');
  // Right after a try that failed, or the next one by itself would come first.
  await page.waitForEvent('requestfailed', (tried) => tried.url().endsWith('/edits'));
  await page.unroute('**/edits');
  await bar.getByRole('button', { name: 'Try now' }).click();
  await saved(page);
  await expect(bar).toHaveCount(0);
  expect(elementNamed((await readProject(request, id)).project, 'Notice').styles.base).toMatchObject({
    width: '300px',
    height: '80px',
  });
});

test('edits that wait outlive their window, and one that was taken though its answer got lost is not made twice', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'demo');
  // Which would tell that it was taken.
  await page.route('**/events?*', (route) => route.abort());
  await openWorkbench(page, id, 'Catalogue');
  await page.getByRole('treeitem', { name: /^Notice/ }).click();
  await page.route('**/edits', async (route) => {
    await route.fetch();
    await route.abort();
  });
  await page.keyboard.press('Control+d');
  await expect(page.getByTestId('saving')).toContainText('does not answer');
  await page.unroute('**/edits');
  await page.route('**/edits', (route) => route.abort());
  await page
    .getByRole('treeitem', { name: /^Notice/ })
    .first()
    .click();
  await write(page, 'width', '300px');
  page.on('dialog', (dialog) => dialog.accept());
  await page.goto('/');
  await page.unroute('**/edits');
  await openWorkbench(page, id, 'Catalogue');
  await expect(
    page.getByRole('status').filter({ hasText: '2 edits that had not been saved when a window closed' }),
  ).toBeVisible();
  const { pages } = (await readProject(request, id)).project;
  const notices = Object.values(pages[1]!.elements).filter(({ name }) => name.startsWith('Notice'));
  expect(notices.map(({ styles }) => styles.base?.width ?? '')).toHaveLength(2);
  expect(notices.some(({ styles }) => styles.base?.width === '300px')).toBe(true);
  await page.reload();
  await page.getByRole('tree').waitFor();
  await expect(page.getByRole('status').filter({ hasText: 'had not been saved' })).toHaveCount(0);
});

test('edits that wait outlive a window that is killed; while it lives another window leaves them to it', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id, 'Catalogue');
  await page.getByRole('treeitem', { name: /^Notice/ }).click();
  await page.route('**/edits', (route) => route.abort());
  await write(page, 'width', '310px');
  await expect(page.getByTestId('saving')).toContainText('does not answer');
  await page.waitForFunction(() => Object.keys(localStorage).some((key) => key.startsWith('mill-pond-waiting')));
  const told = (one: Page) => one.getByRole('status').filter({ hasText: 'had not been saved when a window closed' });
  const other = await page.context().newPage();
  await openWorkbench(other, id, 'Catalogue');
  await expect(told(other)).toHaveCount(0);
  const hand = await page.context().newCDPSession(page);
  void hand.send('Page.crash').catch(() => undefined);
  await page.waitForEvent('crash');
  await other.reload();
  await expect(told(other)).toContainText('1 edit');
  expect(elementNamed((await readProject(request, id)).project, 'Notice').styles.base?.width).toBe('310px');
  await other.close();
});

test('a project opens as soon as the server answers; an address where nothing is says what to do', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  const own = `**/api/projects/${id}`;
  await page.route(own, (route) => route.abort());
  await page.goto(`/projects/${id}`);
  await expect(page.getByRole('heading', { name: 'The server doesn’t answer' })).toBeVisible();
  await page.unroute(own);
  await expect(page.getByRole('tree')).toBeVisible();
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
  await page.getByRole('link', { name: 'To all projects' }).click();
  await expect(page.getByRole('heading', { name: 'Projects' })).toBeVisible();
});

test('a window that can not be drawn says so, and goes on with all that waits', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id, 'Catalogue');
  await page.route('**/edits', (route) => route.abort());
  await page.getByRole('treeitem', { name: /^Notice/ }).click();
  await write(page, 'width', '300px');
  // Something outside takes away what is drawn; the next row to go isn't there any more.
  await page.getByRole('tree').evaluate((tree) => tree.replaceChildren());
  await page.getByLabel('Find a property').blur();
  await page.keyboard.press('Delete');
  await expect(page.getByRole('heading', { name: 'This window could not be drawn' })).toBeVisible();
  await expect(page.getByRole('alert').filter({ hasText: 'A fault of ours' })).toContainText('not saved yet');
  await page.unroute('**/edits');
  await page.getByRole('button', { name: 'Draw it again' }).click();
  await expect(page.getByRole('tree')).toBeVisible();
  await saved(page);
  const { pages } = (await readProject(request, id)).project;
  const notice = pages.flatMap(({ elements }) => Object.values(elements)).some(({ name }) => name === 'Notice');
  expect(notice).toBe(false);
  await page.getByRole('button', { name: 'Undo' }).click();
  await saved(page);
  expect(elementNamed((await readProject(request, id)).project, 'Notice').styles.base).toMatchObject({ width: '300px' });
});

test('a post is renamed, moved by number and by key, and removed; nonsense is refused in place', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  const post = page.locator('[data-post=bnarrow]');
  await post.focus();
  await page.keyboard.press('Enter');
  const card = page.getByRole('dialog', { name: 'Breakpoint Narrow' });
  await expect(card.getByLabel('Name')).toBeFocused();
  for (const [text, words] of [
    ['0', /can't lie under 40/],
    ['99999', /can't lie over 10000/],
    ['40.123', /two decimals/],
    ['wide', /number of px/],
  ] as const) {
    await card.getByLabel('Width to').fill(text);
    await page.keyboard.press('Enter');
    await expect(card.getByRole('alert')).toHaveText(words);
  }
  await card.getByLabel('Name').fill('');
  await card.getByLabel('Width to').fill('640');
  await page.keyboard.press('Enter');
  await expect(card.getByRole('alert')).toHaveText(/needs a name/);
  await card.getByLabel('Name').fill('Small');
  await page.keyboard.press('Enter');
  await expect(card).toHaveCount(0);
  await expect(post).toBeFocused();
  await page.keyboard.press('Shift+ArrowLeft');
  await page.keyboard.press('ArrowRight');
  await expect(post).toContainText('631');
  await expect(page.getByRole('button', { name: 'Small', exact: true })).toBeVisible();
  await page.keyboard.press('Delete');
  await page.getByRole('radio', { name: 'Drop them' }).click();
  await expect(page.getByTestId('removal')).toContainText('Removes Small and the');
  await page.getByRole('button', { name: 'Remove Small' }).click();
  await expect(post).toHaveCount(0);
  await expect(frameOf(page).locator('body')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(post).toContainText('631');
  await saved(page);
  const { project } = await readProject(request, id);
  expect(project.breakpoints.find((one) => one.id === 'bnarrow')).toEqual({
    id: 'bnarrow',
    name: 'Small',
    condition: { below: 632 },
  });
  expect(Object.keys(elementNamed(project, 'Welcome').styles.bnarrow!)).toContain('grid-template-columns');
});

test('lanes show the values along the width; a press goes there; the square tells the story', async ({ page, request }) => {
  await openWorkbench(page, await createProject(request, 'demo'), 'Catalogue');
  await page.getByRole('treeitem', { name: /^Tool cards/ }).click();
  await showLanes(page);
  const lane = page.locator('[data-lane="grid-template-columns"]');
  await expect(lane).toHaveAccessibleName(
    'grid-template-columns: minmax(0, 1fr), 599 and narrower, set in this band; repeat(3, minmax(0, 1fr)), 600 to 899, set in this band; repeat(4, minmax(0, 1fr)), 900 to 1599, set in this band; repeat(6, minmax(0, 1fr)), 1600 and wider, set in this band',
  );
  await lane.locator('[data-stretch]').nth(1).click();
  expect(await width(page)).toBeGreaterThanOrEqual(600);
  expect(await width(page)).toBeLessThanOrEqual(899);
  await expect(page.getByTestId('writes-to')).toHaveText('Writes to 899 and narrower');
  await page.getByRole('button', { name: /^Columns: set in this band/ }).click();
  const story = page.getByRole('dialog', { name: 'Columns: the whole story' });
  await expect(story.getByRole('listitem')).toHaveText([
    /repeat\(3, minmax\(0, 1fr\)\) set at 899 and narrower/,
    /repeat\(4, minmax\(0, 1fr\)\) set at the base/,
  ]);
  await story.getByRole('button', { name: 'Clear at 899 and narrower' }).click();
  await expect(page.getByLabel(/^Column \d$/)).toHaveCount(4);
  await expect(page.getByRole('button', { name: /^Columns: carried on/ })).toBeFocused();
});

test('before an edit is made, the widths it will change are marked; Escape takes it back', async ({ page, request }) => {
  await openWorkbench(page, await createProject(request, 'demo'), 'Catalogue');
  await goTo(page, 742);
  await page.getByRole('treeitem', { name: /^Tool cards/ }).click();
  const marked = page.getByTestId('marked');
  await field(page, 'gap').focus();
  await expect(marked).toHaveAttribute('data-widths', '899 and narrower');
  await page.getByRole('button', { name: 'more of Flex and grid' }).click();
  await field(page, 'grid-template-columns').focus();
  await expect(marked).toHaveAttribute('data-widths', '600 to 899');
  await expect(page.getByTestId('reach')).toHaveText('changes Middle · Narrow keeps its own');
  await page.keyboard.type('1fr 1fr');
  await expect(marked).toHaveAttribute('data-widths', '600 to 899');
  await page.keyboard.press('Escape');
  await expect(field(page, 'grid-template-columns')).toHaveValue('repeat(3, minmax(0, 1fr))');
  await expect(marked).toHaveAttribute('data-widths', '');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('parts fold away and keep their sizes', async ({ page, request }) => {
  await openWorkbench(page, await createProject(request, 'demo'));
  await page.getByRole('separator', { name: 'Width of the list of elements' }).focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('separator', { name: 'Width of the list of elements' })).toHaveAttribute('aria-valuenow', '240');
  await showLanes(page);
  await page.getByRole('separator', { name: 'Height of the gauge' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Gauge' })).toHaveCount(0);
  await page.reload();
  await page.getByRole('tree').waitFor();
  await expect(page.getByRole('region', { name: 'Gauge' })).toHaveCount(0);
  await expect(page.getByRole('separator', { name: 'Width of the list of elements' })).toHaveAttribute('aria-valuenow', '240');
  await page.getByRole('button', { name: 'View' }).click();
  await page.getByRole('menuitem', { name: 'Show: Gauge' }).click();
  await expect(page.getByRole('region', { name: 'Gauge' })).toBeVisible();
});

test('the selection stays where it is on the screen while the width changes around it', async ({ page, request }) => {
  await openWorkbench(page, await createProject(request, 'demo'), 'Catalogue');
  await goTo(page, 700);
  await page.getByRole('treeitem', { name: /^Notice/ }).click();
  const top = () =>
    frameOf(page)
      .locator('.notice')
      .evaluate((element) => element.getBoundingClientRect().top);
  await page.waitForTimeout(300);
  const before = await top();
  await page.getByTestId('cursor').focus();
  for (let i = 0; i < 18; i++) await page.keyboard.press('Shift+ArrowLeft');
  await page.waitForTimeout(300);
  expect(Math.abs((await top()) - before)).toBeLessThan(40);
});

test('a text changed in place: one undo takes it back, one that is too long is refused and the page shows the old one', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  await goTo(page, 700);
  const heading = frameOf(page).locator('h1');
  await heading.dblclick();
  await expect(page.getByTestId('reach')).toContainText('at all widths');
  await page.keyboard.type('Something else');
  await expect(heading).toHaveText('Something else');
  await page.keyboard.press('Control+z');
  await expect(heading).toHaveText('Borrow it, fix it, bring it back');
  await page.keyboard.press('Escape');
  await heading.dblclick();
  await page.keyboard.insertText('x'.repeat(210_000));
  await expect(page.getByRole('alert').filter({ hasText: 'at most 200000 characters' })).toBeVisible();
  await expect(heading).toHaveText('Borrow it, fix it, bring it back');
  await page.keyboard.press('Escape');
  await saved(page);
  // One burst, and the way back.
  expect((await readProject(request, id)).revision).toBe(2);
});
