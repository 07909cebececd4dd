import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { boxes } from './boxes';
import { computed, field, goTo, makeEdits, openWorkbench, readProject, saved, showLanes, write } from './workbench';

const WIDTHS: readonly number[] = [1000, 800, 500];
/** What Box A has as its padding there. */
const START = ['24px', '12px', '6px'];
const proposal = (page: Page) => page.getByRole('dialog', { name: 'What will happen' });
const panelButton = (page: Page, name: string) =>
  page.getByRole('region', { name: 'All values here' }).getByRole('button', { name, exact: true });
const row = (page: Page, name: RegExp) => page.getByRole('treeitem', { name });

/** An element's computed value at a wide, a middle and a narrow width. */
async function across(page: Page, node: string, property: string): Promise<string[]> {
  const values: string[] = [];
  for (const width of WIDTHS) {
    await goTo(page, width);
    values.push(await computed(page, node, property));
  }
  return values;
}

interface Case {
  readonly name: string;
  /** What is selected, where it isn't Box A. */
  readonly select?: RegExp;
  /** Where the cursor stands when it is asked for, so what is written to. */
  readonly at: number;
  readonly ask: (page: Page) => Promise<void>;
  readonly sentence: RegExp;
  readonly details: readonly (string | RegExp)[];
  readonly node: string;
  readonly property: string;
  readonly after: readonly [string, string, string];
}

const menu = (button: string, item: RegExp | string) => async (page: Page) => {
  await panelButton(page, button).click();
  await page.getByRole('menuitem', { name: item }).click();
};
const red = 'rgb(160, 32, 32)';
const grey = 'rgb(32, 32, 32)';

const CASES: readonly Case[] = [
  {
    name: 'clear all at a breakpoint',
    at: 800,
    ask: (page) => panelButton(page, 'Clear all').click(),
    sentence: /^Clears all 2 values of Box A at 900 and narrower\.$/,
    details: [
      'Middle: padding-top 12px becomes 24px and color #a02020 becomes #202020.',
      'Narrow keeps its own padding-top 6px.',
    ],
    node: 'ea',
    property: 'padding-top',
    after: ['24px', '24px', '6px'],
  },
  {
    name: 'copy to another breakpoint',
    at: 500,
    ask: menu('Copy to', /Middle/),
    sentence: /^Copies padding-top of Box A from 600 and narrower to 900 and narrower, in place of one value there\.$/,
    details: ['Middle: padding-top 12px becomes 6px.'],
    node: 'ea',
    property: 'padding-top',
    after: ['24px', '6px', '6px'],
  },
  {
    name: 'make base',
    at: 500,
    ask: (page) => panelButton(page, 'Make base').click(),
    sentence: /^Makes padding-top of Box A at 600 and narrower the base; other breakpoints keep what they have\.$/,
    details: [/Narrow: padding-top 6px becomes 12px\./, /Base: padding-top 24px becomes 6px\./],
    node: 'ea',
    property: 'padding-top',
    after: ['6px', '12px', '12px'],
  },
  {
    name: 'write at every band',
    at: 500,
    ask: (page) => panelButton(page, 'At every band').click(),
    sentence: /^Writes padding-top of Box A as at 600 and narrower for every band/,
    details: [],
    node: 'ea',
    property: 'padding-top',
    after: ['6px', '6px', '6px'],
  },
  {
    name: 'give to siblings',
    at: 800,
    ask: menu('Give to', 'Its siblings'),
    sentence: /^Gives padding-top and color of Box A at 900 and narrower to its 4 siblings\.$/,
    details: [],
    node: 'ec',
    property: 'padding-top',
    after: ['0px', '12px', '12px'],
  },
  {
    name: 'give to all of the kind in the project',
    select: /^Press/,
    at: 500,
    ask: menu('Give to', 'All buttons in the project'),
    sentence: /^Gives padding-top of Press at 600 and narrower to 1 other button in the project\.$/,
    details: [],
    node: 'ebut2',
    property: 'padding-top',
    after: ['1px', '1px', '20px'],
  },
  {
    name: 'give to all that carry a shared style',
    select: /^Press/,
    at: 500,
    ask: menu('Give to', 'All that carry Boxes on this page'),
    sentence: /^Gives padding-top of Press at 600 and narrower to 2 other elements that carry Boxes on/,
    details: [],
    node: 'eb',
    property: 'padding-top',
    after: ['0px', '0px', '20px'],
  },
];

test('each edit of values says what will happen, does it at three widths, and is undone', async ({ page, request }) => {
  const id = await boxes(request, 'Edits');
  await makeEdits(request, id, [
    {
      type: 'addShared',
      style: { id: 'sboxes', name: 'Boxes', styles: {} },
      carriers: ['eb', 'ec', 'ebut'].map((node) => ({ node, place: 0 })),
    },
    { type: 'setStyle', owner: 'ebut', at: 'bnar', property: 'padding-top', value: '20px' },
  ]);
  await openWorkbench(page, id);
  await row(page, /^Box A/).click();
  for (const one of CASES)
    await test.step(one.name, async () => {
      await row(page, one.select ?? /^Box A/).click();
      await goTo(page, WIDTHS[2]!);
      const before = await computed(page, one.node, one.property);
      await goTo(page, one.at);
      await one.ask(page);
      await expect(proposal(page).locator('p').first()).toHaveText(one.sentence);
      for (const line of one.details) await expect(proposal(page)).toContainText(line);
      await expect(page.getByTestId('marked')).not.toHaveAttribute('data-widths', '');
      if (one === CASES[0]) {
        // Nothing has happened yet, and Escape leaves it so: the same for all, so the first says it.
        await expect(page.getByRole('button', { name: 'Do it' })).toBeFocused();
        await page.keyboard.press('Escape');
        await expect(proposal(page)).toHaveCount(0);
        await expect.poll(() => computed(page, 'ea', 'padding-top')).toBe(START[WIDTHS.indexOf(one.at)]);
        await one.ask(page);
      }
      await expect(page.getByRole('button', { name: 'Do it' })).toBeFocused();
      await page.keyboard.press('Enter');
      expect(await across(page, one.node, one.property)).toEqual(one.after);
      await page.getByRole('button', { name: 'Undo' }).click();
      // The cursor stands at the narrowest; the other widths came from the same document.
      await expect.poll(() => computed(page, one.node, one.property)).toBe(before);
    });
});

test('a value is cleared, stopped, and cleared of what is stronger, each with its sentence', async ({ page, request }) => {
  const id = await boxes(request, 'Stops');
  await openWorkbench(page, id);
  await row(page, /^Box A/).click();

  await test.step('the clearing of one value is told before it is done', async () => {
    await goTo(page, 800);
    const clear = page.getByRole('button', { name: 'Clear Padding top' });
    await page.getByRole('button', { name: 'Padding, each side' }).click();
    await clear.hover();
    await expect(page.getByTestId('reach')).toHaveText(
      'Clears padding-top of Box A at 900 and narrower. Middle: padding-top 12px becomes 24px. Narrow keeps its own padding-top 6px.',
    );
    await clear.click();
    expect(await across(page, 'ea', 'padding-top')).toEqual(['24px', '24px', '6px']);
    await page.getByRole('button', { name: 'Undo' }).click();
    expect(await across(page, 'ea', 'padding-top')).toEqual(['24px', '12px', '6px']);
  });

  await test.step('a value is stopped at the next breakpoint', async () => {
    await goTo(page, 800);
    await page.getByRole('button', { name: 'Colour and background' }).click();
    await page.getByRole('button', { name: /^Text colour: set in this band/ }).click();
    await page.getByRole('button', { name: 'Stop for narrower' }).click();
    await expect(proposal(page)).toContainText(
      'Stops color #a02020 of Box A at 600 and narrower: there it is #202020, as without it.',
    );
    await expect(page.getByRole('button', { name: 'Do it' })).toBeFocused();
    await page.keyboard.press('Enter');
    expect(await across(page, 'ea', 'color')).toEqual([grey, red, grey]);
    await page.getByRole('button', { name: 'Undo' }).click();
    expect(await across(page, 'ea', 'color')).toEqual([grey, red, red]);
  });

  await test.step('bands that will not take a value are named, and can be cleared', async () => {
    await goTo(page, 800);
    await field(page, 'padding-top').focus();
    await expect(page.getByTestId('keepers')).toContainText('Narrow keeps its own 6px');
    await page.getByRole('button', { name: 'Clear those' }).click();
    await expect(proposal(page)).toContainText(
      'Clears padding-top of Box A at 600 and narrower, so that 900 and narrower holds there too.',
    );
    await page.getByRole('button', { name: 'Do it' }).click();
    expect(await across(page, 'ea', 'padding-top')).toEqual(['24px', '12px', '12px']);
    await page.getByRole('button', { name: 'Undo' }).click();
    expect(await across(page, 'ea', 'padding-top')).toEqual(['24px', '12px', '6px']);
  });

  await test.step('one key chooses the target; locked, it stays while the cursor moves; this band only', async () => {
    await goTo(page, 500);
    await expect(page.getByTestId('writes-to')).toHaveText('Writes to 600 and narrower');
    await page.keyboard.press('2');
    await expect(page.getByTestId('writes-to')).toHaveText('Writes to 900 and narrower');
    await page.keyboard.press('l');
    await goTo(page, 1000);
    await expect(page.getByTestId('writes-to')).toHaveText('Writes to 900 and narrower');
    await page.keyboard.press('l');
    await expect(page.getByTestId('writes-to')).toHaveText('Writes to base');
    await goTo(page, 800);
    await page.keyboard.press('9');
    await expect(page.getByTestId('writes-to')).toHaveText('Writes to 601 to 900');
    await write(page, 'padding-top', '9px');
    expect(await across(page, 'ea', 'padding-top')).toEqual(['24px', '9px', '6px']);
    await saved(page);
    const { project } = await readProject(request, id);
    expect(project.breakpoints.map(({ condition }) => condition)).toContainEqual({ from: 601, below: 901 });
  });
});

test('lanes: typed into, drawn longer, and asked by keyboard', async ({ page, request }) => {
  const id = await boxes(request, 'Lanes');
  await openWorkbench(page, id);
  await row(page, /^Box A/).click();
  await showLanes(page);
  const lane = page.locator('[data-lane="padding-top"]');
  const cell = (n: number) => lane.locator('[data-stretch]').nth(n);

  await cell(1).dblclick();
  await page.keyboard.type('14px');
  await page.keyboard.press('Enter');
  expect(await across(page, 'ea', 'padding-top')).toEqual(['24px', '14px', '6px']);
  await cell(1).dblclick();
  await page.keyboard.type('14 pix');
  await page.keyboard.press('Enter');
  await expect(lane.getByRole('textbox')).toHaveAttribute('aria-invalid', 'true');
  await page.keyboard.press('Escape');

  // The end between Narrow and Middle goes to a new place: the colour's lane has a new breakpoint there.
  const end = (await cell(1).locator('[data-end=from]').boundingBox())!;
  const axis = (await page.getByTestId('axis').boundingBox())!;
  const at = (width: number) => axis.x + (Math.log(width / 240) / Math.log(2560 / 240)) * axis.width;
  await page.mouse.move(end.x + 2, end.y + 8);
  await page.mouse.down();
  await page.mouse.move(at(450), end.y + 8, { steps: 5 });
  await page.mouse.up();
  await expect(lane).toHaveAccessibleName(/14px, 4\d\d to 600/);
  expect(await across(page, 'ea', 'padding-top')).toEqual(['24px', '14px', '14px']);
  await goTo(page, 430);
  expect(await computed(page, 'ea', 'padding-top')).toBe('6px');
  await page.getByRole('button', { name: 'Undo' }).click();
  await goTo(page, 500);
  await expect.poll(() => computed(page, 'ea', 'padding-top')).toBe('6px');

  await cell(0).focus();
  await page.keyboard.press('ArrowRight');
  await expect(cell(1)).toBeFocused();
  await page.keyboard.press('Shift+F10');
  await expect(page.getByRole('menu')).toBeVisible();
  await page.getByRole('menuitem', { name: /^Carry on over 600 and narrower/ }).focus();
  await page.keyboard.press('Enter');
  await expect(proposal(page)).toContainText('Lets padding-top 14px of Box A hold at 600 and narrower as well.');
  await expect(page.getByRole('button', { name: 'Do it' })).toBeFocused();
  await page.keyboard.press('Enter');
  expect(await across(page, 'ea', 'padding-top')).toEqual(['24px', '14px', '14px']);
});
