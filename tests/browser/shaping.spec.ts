import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { boxes } from './boxes';
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
  write,
} from './workbench';

const group = (page: Page, name: string) => page.locator(`section[aria-label="${name}"] h3 button`);

test('controls made for the property: diagrams, tracks, units, growth, holding, layers, contrast', async ({ page, request }) => {
  const id = await boxes(request, 'Controls');
  await openWorkbench(page, id);
  await goTo(page, 680);
  await outline(page, 'Three boxes').click();
  await page.getByRole('button', { name: 'Lays out: as a grid' }).click();
  // The plain field says the same as the control that stands for it.
  await page.getByRole('button', { name: 'more of Flex and grid' }).click();
  expect(await computed(page, 'erow', 'display')).toBe('grid');
  await page.getByRole('button', { name: 'Add column' }).click();
  await page.getByRole('button', { name: 'Add column' }).click();
  await page.getByLabel('Column 1', { exact: true }).fill('2fr');
  await page.keyboard.press('Enter');
  await expect(field(page, 'grid-template-columns')).toHaveValue('2fr minmax(0, 1fr)');
  await page.getByLabel('Column 2', { exact: true }).fill('wide');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: "isn't a value" })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Make equal' }).click();
  await expect(field(page, 'grid-template-columns')).toHaveValue('repeat(2, minmax(0, 1fr))');
  await page.getByRole('button', { name: 'Lays out: as a row' }).click();
  await page.getByRole('button', { name: 'Along: room between' }).click();
  expect(await computed(page, 'erow', 'justify-content')).toBe('space-between');
  await page.getByRole('button', { name: 'Seen: invisible, keeps its room' }).click();
  expect(await computed(page, 'erow', 'visibility')).toBe('hidden');
  await page.getByRole('button', { name: 'Seen: out of the layout' }).click();
  expect(await computed(page, 'erow', 'display')).toBe('none');
  await page.getByRole('button', { name: 'Seen: shown' }).click();
  expect([await computed(page, 'erow', 'display'), await computed(page, 'erow', 'visibility')]).toEqual(['block', 'visible']);

  // Another unit says the same measure.
  await outline(page, 'Box A').click();
  await write(page, 'width', '154px');
  for (const [unit, said] of [
    ['%', '25%'],
    ['rem', '9.625rem'],
    ['vw', '22.647vw'],
    ['px', '154px'],
  ] as const) {
    await page.getByRole('combobox', { name: 'Unit of Width', exact: true }).selectOption(unit);
    await expect(field(page, 'width')).toHaveValue(said);
    expect(Math.abs(parseFloat(await computed(page, 'ea', 'width')) - 154)).toBeLessThan(0.1);
  }
  // Growing between two widths.
  await group(page, 'Type').scrollIntoViewIfNeeded();
  await page.getByRole('combobox', { name: 'Unit of Size', exact: true }).selectOption('grow');
  const fluid = page.getByTestId('fluid');
  for (const [label, value] of [
    ['First width, px', '400'],
    ['Value at the first width, px', '16'],
    ['Second width, px', '1000'],
    ['Value at the second width, px', '28'],
  ] as const)
    await fluid.getByLabel(label, { exact: true }).fill(value);
  await expect(fluid.locator('code')).toHaveText('clamp(1rem, 0.5rem + 2vw, 1.75rem)');
  await expect(fluid.locator('svg path.recharts-line-curve')).toHaveCount(1);
  await fluid.getByLabel('Second width, px', { exact: true }).fill('400');
  await expect(fluid.getByRole('alert')).toHaveText('The two widths must lie apart.');
  await fluid.getByLabel('Second width, px', { exact: true }).fill('1000');
  await fluid.getByRole('button', { name: 'Write it' }).click();
  expect(await computed(page, 'ea', 'font-size')).toBe('21.6px');

  // Held at a place of its parent, which becomes what it holds on to.
  await group(page, 'Position').click();
  await page.getByRole('button', { name: 'bottom right' }).click();
  await page.getByRole('textbox', { name: 'Offset across' }).fill('12px');
  await page.keyboard.press('Enter');
  expect([
    await computed(page, 'ea', 'position'),
    await computed(page, 'ea', 'right'),
    await computed(page, 'erow', 'position'),
  ]).toEqual(['absolute', '12px', 'relative']);
  await page.getByRole('group', { name: 'Pin to the screen' }).getByRole('button', { name: 'top' }).click();
  expect([await computed(page, 'ea', 'position'), await computed(page, 'ea', 'top')]).toEqual(['sticky', '0px']);

  // Layers in an order that is dragged; contrast with what is behind.
  await outline(page, 'Box B').click();
  await group(page, 'Colour and background').click();
  await write(page, 'color', '#888888');
  await expect(page.getByTestId('contrast')).toContainText('3.54 is too little; 4.5 is needed');
  const layers = page.locator('section[aria-label="Background layers"]');
  await layers.getByRole('button', { name: '+ linear' }).click();
  await layers.getByRole('button', { name: '+ radial' }).click();
  await expect(layers.locator('[data-layer]')).toHaveText([/Radial/, /Linear/]);
  await layers.getByRole('button', { name: 'Radial gradient' }).click();
  const handle = layers.getByRole('button', { name: /^Layer 1 of 2/ });
  await handle.scrollIntoViewIfNeeded();
  const [a, b] = [(await handle.boundingBox())!, (await layers.locator('[data-layer="1"]').boundingBox())!];
  await page.mouse.move(a.x + 6, a.y + 10);
  await page.mouse.down();
  await page.mouse.move(b.x + 6, b.y + b.height, { steps: 5 });
  await page.mouse.up();
  await expect(layers.locator('[data-layer]')).toHaveText([/Linear/, /Radial/]);
  expect(await computed(page, 'eb', 'background-image')).toMatch(/^linear-gradient.*radial-gradient/);
  await layers.getByRole('button', { name: 'Linear gradient' }).click();
  await layers.getByRole('textbox', { name: 'Stop 1', exact: true }).fill('no colour');
  await page.keyboard.press('Enter');
  await expect(layers.getByRole('alert')).toContainText("isn't a value");
  await page.keyboard.press('Escape');
  await expect(page.getByText(/over the layers of Box B/)).toBeVisible();
  await write(page, 'font-family', 'Unheard');
  await expect(page.getByRole('alert').filter({ hasText: '"Unheard" doesn\'t come with the page' })).toBeVisible();
});

test('several: equal, in a ratio, chosen by a frame, alike, locked, found; distances while a key is held', async ({
  page,
  request,
}) => {
  const id = await boxes(request, 'Several');
  await openWorkbench(page, id);
  await goTo(page, 680);
  const frame = frameOf(page);
  await outline(page, 'Three boxes').click();
  await page.getByRole('button', { name: 'Lays out: as a row' }).click();
  // A frame drawn around the first two.
  const [a, b] = [(await frame.getByText('Box A').boundingBox())!, (await frame.getByText('Box B').boundingBox())!];
  await page.mouse.move(a.x - 12, a.y - 6);
  await page.keyboard.down('Shift');
  await page.mouse.down();
  await page.mouse.move(b.x + b.width + 3, b.y + b.height + 12, { steps: 6 });
  await expect(page.getByTestId('frame-around')).toBeVisible();
  await page.waitForTimeout(100);
  await page.mouse.up();
  await page.keyboard.up('Shift');
  await expect(page.getByRole('treeitem', { selected: true })).toHaveText([/Box A/, /Box B/]);
  await page.getByRole('textbox', { name: 'Widths as a ratio' }).fill('1 : 3');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'What will happen' })).toContainText('as wide as 1 : 3 at 900 and narrower');
  await page.getByRole('button', { name: 'Do it' }).click();
  const size = async (node: string) => parseFloat(await computed(page, node, 'width'));
  await expect.poll(async () => Math.round(((await size('eb')) / (await size('ea'))) * 10) / 10).toBe(3);
  await page.getByRole('textbox', { name: 'Widths as a ratio' }).fill('1 : 0');
  await page.getByRole('button', { name: 'Ratio', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: '2 numbers above 0' })).toBeVisible();

  // Locked: presses on the page go through, removal is refused.
  await outline(page, 'Box A').click();
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('o');
  await expect(outline(page, 'Box A')).toHaveAccessibleName(/locked/);
  await page.keyboard.press('Delete');
  await expect(page.getByRole('alert').filter({ hasText: 'Box A is locked' })).toBeVisible();
  await frame.getByText('Box A').click();
  await expect(page.getByRole('treeitem', { selected: true })).toHaveAccessibleName(/^Three boxes/);
  // Further in by a double press, outwards by Escape.
  await frame.getByText('Box C').dblclick();
  await expect(page.getByRole('treeitem', { selected: true })).toHaveAccessibleName(/^Box C/);
  await page.keyboard.press('d');
  await page.keyboard.down('d');
  await expect(page.getByTestId('distances')).toBeVisible();
  await page.keyboard.up('d');
  await expect(page.getByTestId('distances')).toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('treeitem', { selected: true })).toHaveAccessibleName(/^Three boxes/);
  await page.getByRole('textbox', { name: 'Find an element by name or text' }).fill('hold');
  await expect(page.getByText('1 found; Enter goes on to the next')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('treeitem', { selected: true })).toHaveAccessibleName(/^Hold/);
  // What stands past the side is marked.
  await write(page, 'min-width', '900px');
  await expect(outline(page, 'Hold')).toHaveAccessibleName(/stands partly outside the viewport/);
  await write(page, 'margin', '0 0 0 900px');
  await expect(outline(page, 'Hold')).toHaveAccessibleName(/stands wholly outside the viewport/);
});

test('only as it looks here: dragged with Alt, the document stays', async ({ page, request }) => {
  const id = await boxes(request, 'Here only');
  await openWorkbench(page, id);
  await goTo(page, 680);
  const frame = frameOf(page);
  await outline(page, 'Three boxes').click();
  await page.getByRole('button', { name: 'Lays out: as a row' }).click();
  const [a, c] = [(await frame.getByText('Box A').boundingBox())!, (await frame.getByText('Box C').boundingBox())!];
  await frame.getByText('Box A').click();
  await page.keyboard.down('Alt');
  await page.mouse.move(a.x + 10, a.y + 10);
  await page.mouse.down();
  await page.mouse.move(a.x + 20, a.y + 12, { steps: 3 });
  await page.waitForTimeout(120);
  await page.mouse.move(c.x + c.width - 2, c.y + 10, { steps: 5 });
  await expect(page.getByTestId('drag-words')).toHaveText('Only as it looks at 900 and narrower: by order');
  await page.mouse.up();
  await page.keyboard.up('Alt');
  await saved(page);
  const { project } = await readProject(request, id);
  expect(elementNamed(project, 'Three boxes').children.slice(0, 3)).toEqual(['ea', 'eb', 'ec']);
  expect(await computed(page, 'ea', 'order')).toBe('1');
  const now = (await frame.getByText('Box A').boundingBox())!;
  expect(now.x).toBeGreaterThan((await frame.getByText('Box C').boundingBox())!.x);
});

test('cut, copied, pasted between pages, kept as a block with overrides; a thousand at once; what can not be is refused', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'demo', 'Clips');
  await openWorkbench(page, id);
  await outline(page, 'Welcome').click();
  await page.keyboard.press('Control+c');
  await page.getByRole('button', { name: 'Insert' }).click();
  await page.getByRole('button', { name: 'Keep selection' }).click();
  await expect(page.locator('[data-block]')).toHaveText(/Welcome/);
  await page.getByRole('button', { name: /^Page:/ }).click();
  await page.getByRole('menuitem', { name: 'Join' }).click();
  await outline(page, 'Main').click();
  await page.keyboard.press('Control+v');
  await expect(outline(page, 'Welcome')).toBeVisible();
  await outline(page, 'Main').click();
  await page.locator('[data-block]').click();
  await saved(page);
  const { project } = await readProject(request, id);
  const copies = Object.values(project.pages[4]!.elements).filter(({ name }) => name === 'Welcome');
  expect(copies).toHaveLength(2);
  for (const copy of copies) expect(copy.styles.bnarrow!['grid-template-columns']).toBe('minmax(0, 1fr)');
  expect(project.blocks[0]!.elements[0]!.styles.bnarrow!['grid-template-columns']).toBe('minmax(0, 1fr)');

  // A thousand copies of a text.
  const text = { id: 'e', tag: 'p', name: 'Line', attributes: {}, text: 'Line', children: [], shared: [], styles: {} };
  const clip = (count: number) =>
    JSON.stringify({
      from: 'mill-pond',
      tops: Array.from({ length: count }, (_, i) => `ex${i}`),
      elements: Array.from({ length: count }, (_, i) => ({ ...text, id: `ex${i}` })),
      breakpoints: {},
      shared: {},
      pictures: [],
    });
  const put = (what: string) => page.evaluate((value) => localStorage.setItem('mill-pond-clip', value), what);
  const paste = async () => {
    await outline(page, 'Main').click();
    await page.keyboard.press('Control+v');
  };
  await put(clip(1000));
  await paste();
  const elements = page.getByRole('region', { name: 'Elements' });
  await expect(elements.getByRole('heading', { name: 'Elements' }).locator('+ span')).toHaveText(/^1\d{3}$/);
  await saved(page);
  // Of a long list the rows in sight are drawn; the keyboard gets to all of them.
  const drawn = page.getByRole('treeitem');
  expect(await drawn.count()).toBeLessThan(200);
  await outline(page, 'Main').focus();
  await page.keyboard.press('End');
  await expect(page.locator('[role=treeitem]:focus')).toBeInViewport();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Enter');
  await expect(page.locator('[role=treeitem]:focus')).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('Home');
  await expect(page.locator('[role=treeitem]:focus')).toHaveAttribute('aria-level', '1');
  expect(Object.keys((await readProject(request, id)).project.pages[4]!.elements).length).toBeGreaterThan(1000);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('treeitem', { name: 'Line' })).toHaveCount(0);
  for (const [what, words] of [
    [clip(2500), /at most 2000/],
    [clip(6000), /At most 5000 elements can be pasted/],
    ['{"from":"mill-pond", oh', /damaged/],
    ['hello', /nothing to paste/],
  ] as const) {
    await put(what);
    await paste();
    await expect(page.getByRole('alert').filter({ hasText: words })).toBeVisible();
  }
  await saved(page);
  expect(
    Object.values((await readProject(request, id)).project.pages[4]!.elements).filter(({ name }) => name === 'Welcome'),
  ).toHaveLength(2);
});

test('the column grid: shown, changed at its place, refused where it can not be, kept under a name', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'demo', 'Columns');
  await openWorkbench(page, id);
  await goTo(page, 700);
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('c');
  await expect(page.getByTestId('columns')).toContainText('8 columns of 67.5 px');
  await page.getByRole('tab', { name: 'Grid' }).click();
  const panel = page.getByTestId('columns-panel');
  for (const [label, value, words] of [
    ['Columns', '0', /at least one column/],
    ['Columns', '-2', /at least one column/],
    ['Gutter', '1900', /leave no room for columns/],
    ['Margin', 'wide', /isn't a number/],
  ] as const) {
    await panel.getByRole('textbox', { name: label }).fill(value);
    await page.keyboard.press('Enter');
    await expect(panel.getByRole('alert')).toHaveText(words);
    await page.keyboard.press('Escape');
  }
  await panel.getByRole('textbox', { name: 'Columns' }).fill('10');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('columns-here')).toHaveText('At 700: 10 columns of 50.8 px, body 652 px');
  await panel.getByRole('textbox', { name: 'Name for the grid here' }).fill('Ten');
  await page.keyboard.press('Enter');
  await expect(panel.getByRole('button', { name: 'Forget grid Ten' })).toBeVisible();
  // What is shown and where a link leads, at all widths.
  await page.getByRole('tab', { name: 'Values' }).click();
  await outline(page, 'Main button').click();
  await page.getByRole('combobox', { name: 'Leads to' }).fill('javascript:alert(1)');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: "isn't a link address" })).toBeVisible();
  await page.getByRole('combobox', { name: 'Leads to' }).fill('page:ghours');
  await page.keyboard.press('Enter');
  await outline(page, 'Shop picture').click();
  await page.getByRole('combobox', { name: 'Picture', exact: true }).selectOption('claw-hammer.svg');
  await expect(frameOf(page).locator('img').first()).toHaveAttribute('src', /M/);
  await page.getByRole('tab', { name: 'Grid' }).click();
  await goTo(page, 1200);
  await panel.getByRole('radio', { name: 'Only Front page' }).click();
  await panel.getByRole('button', { name: 'Lay here' }).click();
  await expect(page.getByTestId('columns-here')).toContainText('At 1200: 10 columns');
  await page.getByRole('button', { name: /^Page:/ }).click();
  await page.getByRole('menuitem', { name: 'Catalogue' }).click();
  await expect(page.getByTestId('columns-here')).toContainText('At 1200: 12 columns');
  await saved(page);
  const { project } = await readProject(request, id);
  expect(elementNamed(project, 'Main button').attributes.href).toBe('page:ghours');
  expect(elementNamed(project, 'Shop picture').attributes.src).toBe('picture:phammer');
  expect([project.columns.bmiddle!.columns, project.pages[0]!.columns!.base!.columns, project.grids[0]!.name]).toEqual([
    10,
    10,
    'Ten',
  ]);
});
