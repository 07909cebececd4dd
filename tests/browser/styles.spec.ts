import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { boxes } from './boxes';
import { computed, field, frameOf, goTo, makeEdits, openWorkbench, write } from './workbench';

const proposal = (page: Page) => page.getByRole('dialog', { name: 'What will happen' });
const doIt = async (page: Page) => {
  await expect(page.getByRole('button', { name: 'Do it' })).toBeFocused();
  await page.keyboard.press('Enter');
};
const undo = (page: Page) => page.getByRole('button', { name: 'Undo' }).click();
const row = (page: Page, name: RegExp) => page.getByRole('treeitem', { name });

async function paddings(page: Page, node: string): Promise<string[]> {
  const values: string[] = [];
  for (const width of [1000, 800, 500]) {
    await goTo(page, width);
    // The frame is told a moment later.
    await expect
      .poll(() =>
        frameOf(page)
          .locator('body')
          .evaluate(() => innerWidth),
      )
      .toBe(width);
    values.push(await computed(page, node, 'padding-top'));
  }
  return values;
}

// Findings are measured here by themselves.
test.use({ storageState: { cookies: [], origins: [] } });

test('shared styles: made from an element, applied, detached with and without the look, deleted', async ({ page, request }) => {
  const id = await boxes(request, 'Shared');
  await openWorkbench(page, id);
  await row(page, /^Box A/).click();
  await page.getByRole('tab', { name: 'Styles' }).click();
  await page.getByLabel('Name of a new shared style').fill('Panel');
  await page.getByRole('button', { name: 'Create' }).click();
  const entry = page.locator('[data-shared]').filter({ hasText: 'Panel' });
  await expect(entry).toContainText('1 carries it');
  expect(await paddings(page, 'ea')).toEqual(['24px', '12px', '6px']);

  await row(page, /^Box B/).click();
  await entry
    .getByRole('button', { name: /^Panel/ })
    .first()
    .click();
  await entry.getByRole('button', { name: 'Apply to the selection' }).click();
  await expect(proposal(page)).toContainText('Lets Box B carry Panel; own values stay stronger.');
  await doIt(page);
  expect(await paddings(page, 'eb')).toEqual(['24px', '12px', '6px']);
  await page.getByLabel(/^padding-top of Panel, Middle/).fill('15px');
  await page.keyboard.press('Enter');
  expect(await paddings(page, 'eb')).toEqual(['24px', '15px', '6px']);

  await entry.getByRole('button', { name: 'Detach, keep the look' }).click();
  await expect(proposal(page)).toContainText('it looks the same');
  await doIt(page);
  expect(await paddings(page, 'eb')).toEqual(['24px', '15px', '6px']);
  await undo(page);
  await entry.getByRole('button', { name: 'Detach', exact: true }).click();
  await doIt(page);
  expect(await paddings(page, 'eb')).toEqual(['0px', '0px', '0px']);
  await undo(page);
  await page.getByLabel('Name', { exact: true }).fill('Card');
  await page.keyboard.press('Enter');
  const renamed = page.locator('[data-shared]').filter({ hasText: 'Card' });
  await renamed.getByRole('button', { name: 'Delete, keep the looks' }).click();
  await expect(proposal(page)).toContainText('Deletes Card; 2 elements carry it and keep their look');
  await doIt(page);
  await expect(page.locator('[data-shared]')).toHaveCount(0);
  expect(await paddings(page, 'ea')).toEqual(['24px', '15px', '6px']);
  await undo(page);
  await expect(renamed).toContainText('2 carry it');
});

test('kinds, sheets from elsewhere and variables: who wins, and the story says so', async ({ page, request }) => {
  const id = await boxes(request, 'Layers');
  await openWorkbench(page, id);
  await goTo(page, 800);
  await page.getByRole('tab', { name: 'Styles' }).click();
  await page.getByRole('button', { name: 'All buttons' }).click();
  await page.getByLabel('Add a declaration to All buttons').fill('padding: 9px');
  await page.keyboard.press('Enter');
  expect(await paddings(page, 'ebut')).toEqual(['1px', '9px', '9px']);

  await page.getByLabel('CSS of the style sheet').fill('@import url(x)');
  await page.getByRole('button', { name: 'Bring in' }).click();
  await expect(page.getByRole('alert').first()).toContainText('@import is left out');
  await page.getByLabel('Name of the style sheet').fill('Old sheet');
  await page
    .getByLabel('CSS of the style sheet')
    .fill(
      'button { padding-top: 30px; padding: 2px } div:nth-child(2) { color: green !important } @media (max-width: 600px) { button { padding-top: 4px !important } }',
    );
  await page.getByRole('button', { name: 'Bring in' }).click();
  await expect(page.locator('[data-sheet]')).toContainText('3 rules');
  // Elsewhere's normal declarations stay below, its important ones above all.
  expect(await paddings(page, 'ebut')).toEqual(['2px', '9px', '4px']);
  await row(page, /^Box B/).click();
  await page.getByRole('tab', { name: 'Values' }).click();
  await page.getByRole('button', { name: 'Colour and background' }).click();
  await write(page, 'color', 'red');
  expect(await computed(page, 'eb', 'color')).toBe('rgb(0, 128, 0)');
  await page.getByRole('button', { name: /^Text colour: from an imported sheet/ }).click();
  const story = page.getByRole('dialog', { name: /whole story/ });
  await expect(story).toContainText('Old sheet, line 1: div:nth-child(2), !important');
  await expect(story.locator('s')).toHaveText(['red']);
  await page.keyboard.press('Escape');

  await row(page, /^Three boxes/).click();
  await page.getByRole('textbox', { name: 'Any declaration' }).fill('--room: 17px');
  await page.keyboard.press('Enter');
  await row(page, /^Box C/).click();
  await page.getByRole('textbox', { name: 'Any declaration' }).fill('padding-top: var(--room, 3px)');
  await page.keyboard.press('Enter');
  expect(await computed(page, 'ec', 'padding-top')).toBe('17px');
  await expect(field(page, '--room')).toHaveValue('17px');
});

test('what is of no use in the values is found without a browser, and dropping it changes nothing', async ({ page, request }) => {
  const id = await boxes(request, 'Of no use');
  const set = (node: string, at: string, property: string, value: string) =>
    ({ type: 'setStyle', owner: node, at, property, value }) as const;
  await makeEdits(request, id, [
    set('eb', 'base', 'padding-top', '8px'),
    set('eb', 'bmid', 'padding-top', '8px'),
    set('ec', 'base', 'width', '100px'),
    set('ec', 'bmid', 'width', '100.4px'),
    { type: 'addBreakpoint', breakpoint: { id: 'bnone', name: 'Empty', condition: { below: 400 } } },
    { type: 'addSheet', sheet: { id: 'tx', name: 'Twice', css: 'p { margin-left: 4px; margin: 0; color: red; color: blue }' } },
  ]);
  await openWorkbench(page, id);
  await page.getByRole('tab', { name: /^Findings/ }).click();
  const list = page.getByTestId('value-findings');
  await expect(list).toHaveAttribute('data-fresh', 'true');
  await expect(list.locator('[data-lint=same-as-beneath]')).toContainText(
    'Box B: padding-top 8px at 900 and narrower is what holds there anyway.',
  );
  await expect(list.locator('[data-lint=hardly-differs]')).toContainText(
    'Box C: width 100.4px at 900 and narrower differs from the next band',
  );
  await expect(list.locator('[data-lint=unused-breakpoint]')).toContainText('Nothing is written under Empty.');
  await expect(list.locator('[data-lint=fighting]')).toContainText('margin-left 4px and then margin');
  await expect(list.locator('[data-lint=written-twice]')).toContainText('writes color twice');
  const before = [await paddings(page, 'ea'), await paddings(page, 'eb')];
  await page.getByRole('button', { name: 'Drop all that change nothing' }).click();
  await expect(list.locator('[data-lint]')).toHaveCount(1);
  expect([await paddings(page, 'ea'), await paddings(page, 'eb')]).toEqual(before);
  await list.getByRole('button', { name: /^Even out/ }).click();
  await expect(list.locator('[data-lint]')).toHaveCount(0);
  await goTo(page, 800);
  expect(await computed(page, 'ec', 'width')).toBe('100px');
  await undo(page);
  await undo(page);
  await expect(list.locator('[data-lint]')).toHaveCount(5);
});
