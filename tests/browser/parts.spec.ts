import { expect, test } from '@playwright/test';
import type { APIRequestContext } from '@playwright/test';
import { strFromU8, unzipSync } from 'fflate';
import type { Page as Tree, PageElement, Project } from '@/core/document';
import { usesOf } from '@/core/document';
import type { Edit } from '@/core/edits';
import {
  createProject,
  elementNamed,
  frameOf,
  goTo,
  makeEdits,
  openWorkbench,
  outline,
  readProject,
  saved,
  swept,
  write,
} from './workbench';

// Pages are measured here by themselves.
test.use({ storageState: { cookies: [], origins: [] } });

const element = (id: string, tag: string, name: string, more: Partial<PageElement> = {}): PageElement => ({
  ...{ id, tag, name, attributes: {}, children: [], shared: [], styles: {} },
  ...more,
});

const header = (key: string): PageElement[] => [
  element(`e${key}head`, 'header', 'Header', { children: [`e${key}name`, `e${key}link`], styles: { base: { display: 'flex' } } }),
  element(`e${key}name`, 'a', 'Name', { attributes: { href: 'page:gfirst' }, children: [{ text: 'The Oven' }] }),
  element(`e${key}link`, 'a', 'Bread link', { attributes: { href: '#' }, children: [{ text: 'Bread' }] }),
];

/** A bakery of five pages, on each of which the same header was made anew. */
async function bakery(request: APIRequestContext): Promise<string> {
  const id = await createProject(request, 'empty', 'Bakery');
  const pages = [1, 2, 3, 4].map((n): Edit => {
    const main = element(`em${n}`, 'main', 'Main', { children: [{ text: `Words ${n}` }] });
    const body = element(`eb${n}`, 'body', 'Page', { children: [`eh${n}head`, main.id] });
    const elements = Object.fromEntries([body, ...header(`h${n}`), main].map((one) => [one.id, one]));
    return { type: 'addPage', page: { id: `gp${n}`, name: `Page ${n}`, slug: `page-${n}`, root: body.id, elements } };
  });
  const first: Edit = { type: 'insertElement', page: 'gfirst', parent: 'efirstbody', index: 0, elements: header('h0') };
  await makeEdits(request, id, [first, ...pages]);
  return id;
}

async function exported(request: APIRequestContext, id: string): Promise<ReadonlyMap<string, string>> {
  const zip = await (await request.get(`/api/projects/${id}/export`)).body();
  return new Map(Object.entries(unzipSync(new Uint8Array(zip))).map(([path, bytes]) => [path, strFromU8(bytes)]));
}

const words = (html: string | undefined) => [...(html ?? '').matchAll(/<a [^>]*>([^<]*)<\/a>/g)].map(([, text]) => text);
const part = (project: Project, name: string): Tree => project.parts.find((one) => one.name === name)!;

test('with the mouse: five pages share a header, it changes once, one page keeps its own text, the export says so', async ({
  page,
  request,
}) => {
  const id = await bakery(request);
  // As wide as the page, so that it isn't scaled.
  await page.setViewportSize({ width: 1900, height: 1000 });
  await openWorkbench(page, id);
  await outline(page, 'Header').click();
  await page.getByRole('button', { name: 'Arrange', exact: true }).click();
  await page.getByRole('menuitem', { name: /^Make a part of it/ }).click();
  await expect(page.getByRole('dialog')).toContainText('The same stands 4 times more, on Page 1, Page 2, Page 3, Page 4.');
  await page.getByRole('button', { name: 'Here and there: 5 uses' }).click();
  await expect(outline(page, 'Header')).toHaveAccessibleName(/use of part Header/);

  // Its text changes on all of them.
  await outline(page, 'Bread link').click();
  const box = page.getByRole('region', { name: 'Part' });
  await expect(box.getByRole('radio', { name: /^The part/ })).toBeChecked();
  await expect(box).toContainText('5 uses on 5 pages');
  await frameOf(page).getByText('Bread').dblclick();
  await expect(page.getByRole('toolbar', { name: 'Marks of the text' })).toBeVisible();
  await page.keyboard.press('End');
  await page.keyboard.type(' and cake');
  await page.keyboard.press('Escape');

  // On one it says something else.
  await page.getByRole('button', { name: /^Page:/ }).click();
  await page.getByRole('menuitem', { name: /^Page 2/ }).click();
  await expect(frameOf(page).getByText('Bread and cake')).toBeVisible();
  await outline(page, 'Bread link').click();
  await box.getByRole('radio', { name: /^This use only/ }).click();
  await frameOf(page).getByText('Bread and cake').dblclick();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Cake only');
  await page.keyboard.press('Escape');
  await outline(page, 'Name').click();
  await box.getByRole('button', { name: 'Leave out here' }).click();
  await saved(page);

  const files = await exported(request, id);
  const said = ['index', 'page-1', 'page-2', 'page-3', 'page-4'].map((file) => words(files.get(`${file}.html`)));
  const both = ['The Oven', 'Bread and cake'];
  expect(said).toEqual([both, both, ['Cake only'], both, both]);
  expect(files.get('styles.css')!.match(/display: flex/g)).toHaveLength(1);

  // What is said here is listed, and taken back with one press.
  await outline(page, 'Header').click();
  await box.getByText('What Header says of its own').click();
  await box.getByRole('button', { name: /^As the part has it: Name/ }).click();
  await expect(frameOf(page).getByText('The Oven')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(frameOf(page).getByText('The Oven')).toBeHidden();

  // Taken apart it no longer follows; removed, the others stay as they look.
  await box.getByRole('button', { name: 'Take apart' }).click();
  await page.getByRole('button', { name: 'Do it' }).click();
  await expect(outline(page, 'Header')).not.toHaveAccessibleName(/use of part/);
  await page.getByRole('button', { name: 'Pages', exact: true }).click();
  await page.getByRole('button', { name: /^Header, 4 uses on 4 pages/ }).click();
  await page.getByRole('region', { name: 'About part Header' }).getByRole('button', { name: 'Remove' }).click();
  await expect(page.getByRole('dialog')).toContainText('4 uses on 4 pages. What becomes of them?');
  await page.getByRole('button', { name: 'They stay, each by itself' }).click();
  await expect(page.getByText('None yet. Select a header')).toBeVisible();
  await saved(page);
  const after = await exported(request, id);
  expect(['index', 'page-1', 'page-3'].map((file) => words(after.get(`${file}.html`)))).toEqual([both, both, both]);
});

test('by keyboard: a part by itself at its own width, a value for all uses and one for one, and all of it undone', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  const item = (name: string) => outline(page, name);
  await item('Orbital sander card').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  for (let step = 0; step < 3; step++) await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('treeitem', { selected: true })).toHaveAccessibleName(/^Place/);
  const box = page.getByRole('region', { name: 'Part' });
  await expect(box).toContainText('4 uses on 2 pages');
  await write(page, 'letter-spacing', '2px');
  await page.getByRole('treeitem', { selected: true }).focus();
  await page.keyboard.press('Shift+U');
  await expect(box.getByRole('radio', { name: /^This use only/ })).toBeChecked();
  await write(page, 'letter-spacing', '5px');
  const spaced = () =>
    frameOf(page)
      .locator('li p:last-child')
      .evaluateAll((all) => all.slice(-3).map((one) => getComputedStyle(one).letterSpacing));
  await expect.poll(spaced).toEqual(['2px', '2px', '5px']);

  // Who set it, who was beaten.
  await page.getByRole('button', { name: /^Letter spacing: set in this band/ }).press('Enter');
  const story = page.getByRole('dialog', { name: /the whole story/ });
  await expect(story).toContainText('Place of part Tool card, base');
  await page.keyboard.press('Escape');

  // The part by itself, and an override under a breakpoint for all of its uses.
  await box.getByRole('button', { name: 'Open the part' }).press('Enter');
  await expect(page.getByText('Part Tool card, by itself')).toBeVisible();
  await goTo(page, 500);
  await item('Tool name').focus();
  await page.keyboard.press('Enter');
  await write(page, 'font-size', '22px');
  await swept(page);
  await page.getByRole('button', { name: 'Back to the page' }).press('Enter');
  await expect(item('Orbital sander card')).toBeVisible();
  await saved(page);
  const { project } = await readProject(request, id);
  const name = Object.values(part(project, 'Tool card').elements).find((one) => one.name === 'Tool name')!;
  expect(name.styles.bnarrow).toEqual({ 'font-size': '22px' });
  expect(elementNamed(project, 'Orbital sander card').use!.says).toMatchObject({
    ecard5: { styles: { base: { 'letter-spacing': '5px' } } },
  });
  await expect
    .poll(() =>
      frameOf(page)
        .locator('li h3')
        .last()
        .evaluate((one) => getComputedStyle(one).fontSize),
    )
    .toBe('22px');

  // All uses were measured again, wherever they stand.
  await page.keyboard.press('Shift+G');
  await expect(page.getByRole('status').filter({ hasText: 'edits reached 2 pages' })).not.toContainText('measuring', {
    timeout: 45_000,
  });
  await page.keyboard.press('Shift+G');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await saved(page);
  const back = await readProject(request, id);
  expect(Object.values(part(back.project, 'Tool card').elements).some((one) => one.styles.bnarrow)).toBe(false);
});

test('what can not be is said in words: a part in itself, a page that shows too much, an element that stays in its part', async ({
  request,
}) => {
  const id = await createProject(request, 'demo');
  const refused = async (edits: readonly Edit[]) => {
    const { revision } = await readProject(request, id);
    const data = { revision, edits: edits.map((edit) => ({ id: crypto.randomUUID(), kind: 'do', edit })) };
    return (
      ((await (await request.post(`/api/projects/${id}/edits`, { data })).json()) as { error?: string }).error ?? 'taken'
    ).slice(0, 120);
  };
  const use = (of: string, tag: string, n: number): PageElement =>
    element(`euse${n}`, tag, 'Use', { use: { part: of, says: {} } });
  const into = (tree: string, parent: string, elements: PageElement[]): Edit => ({
    type: 'insertElement',
    page: tree,
    parent,
    elements,
  });
  expect(await refused([into('mheader', 'eheader1', [use('mfooter', 'footer', 1)])])).toBe('taken');
  expect(await refused([into('mfooter', 'efooter1', [use('mheader', 'header', 2)])])).toBe(
    'The part Header would have itself in it.',
  );
  expect(await refused([{ type: 'removePart', part: 'mheader' }])).toBe('The part Header is still used on Front page.');
  expect(await refused([{ type: 'removeElement', node: 'efront1.eheader2' }])).toContain('Not an element id');
  const { project } = await readProject(request, id);
  const main = elementNamed(project, 'Main', 'Front page').id;
  const many = element('emany', 'div', 'Many', { children: Array.from({ length: 900 }, (_, n) => `euse${n + 10}`) });
  expect(
    await refused([into('gfront', main, [many, ...Array.from({ length: 900 }, (_, n) => use('mfooter', 'footer', n + 10))])]),
  ).toBe('taken');
  const more = element('emore', 'div', 'More', { children: Array.from({ length: 900 }, (_, n) => `eother${n}`) });
  const others = Array.from({ length: 900 }, (_, n) => ({ ...use('mheader', 'header', 0), id: `eother${n}` }));
  expect(await refused([into('gfront', main, [more, ...others])])).toMatch(
    /^On Front page: With all that its parts show it would have \d+ elements; at most 5000 can be/,
  );
  expect(usesOf((await readProject(request, id)).project, 'mfooter').length).toBe(6 + 900 + 1);
});
