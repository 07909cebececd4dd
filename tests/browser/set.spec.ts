import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { boxes } from './boxes';
import { computed, frameOf, goTo, makeEdits, openWorkbench, readProject, saved } from './workbench';

const proposal = (page: Page) => page.getByRole('dialog', { name: 'What will happen' });
const doIt = async (page: Page) => {
  await expect(page.getByRole('button', { name: 'Do it' })).toBeFocused();
  await page.keyboard.press('Enter');
};
const undo = (page: Page) => page.getByRole('button', { name: 'Undo' }).click();

async function paddings(page: Page, widths: readonly number[] = [1000, 800, 500]): Promise<string[]> {
  const values: string[] = [];
  for (const width of widths) {
    await goTo(page, width);
    values.push(await computed(page, 'ea', 'padding-top'));
  }
  return values;
}

test('a set is turned around, duplicated, reordered, mended and removed with every value where it should be', async ({
  page,
  request,
}) => {
  const id = await boxes(request, 'Set');
  await openWorkbench(page, id);
  await page.getByRole('tab', { name: 'Breakpoints' }).click();
  const order = page.getByRole('list', { name: 'Breakpoints in order' });

  await test.step('turned around, everything looks the same at every width', async () => {
    await page.getByRole('button', { name: 'Turn around' }).click();
    await page.getByRole('menuitem', { name: /Narrow first/ }).click();
    await expect(proposal(page)).toContainText(
      'The base becomes Narrow; 2 breakpoints go wider from there. Every element keeps every value at every width.',
    );
    await doIt(page);
    await expect(order).toContainText('601 and wider');
    expect(await paddings(page, [1000, 901, 900, 800, 601, 600, 500])).toEqual([
      '24px',
      '24px',
      '12px',
      '12px',
      '12px',
      '6px',
      '6px',
    ]);
    await undo(page);
    await expect(order).toContainText('600 and narrower');
    await expect.poll(() => paddings(page)).toEqual(['24px', '12px', '6px']);
  });

  await test.step('a duplicate is a problem with a mend; the order decides', async () => {
    await page.getByRole('button', { name: 'Duplicate Middle' }).click();
    await expect(proposal(page)).toContainText('Adds Fairly narrow at 900 and narrower with the 2 values of Middle.');
    await doIt(page);
    await expect(page.locator('[data-problem=duplicate]')).toContainText('Middle and Fairly narrow hold at the same viewports');
    await page.getByRole('button', { name: 'Put the values of Middle into Fairly narrow' }).click();
    await expect(page.locator('[data-problem]')).toHaveCount(0);
    await expect.poll(() => paddings(page)).toEqual(['24px', '12px', '6px']);
    await undo(page);
    await undo(page);
    await page.getByRole('button', { name: 'Narrow: weaker' }).click();
    await expect(page.locator('[data-problem=never-reached]')).toContainText('Middle always wins');
    await expect.poll(() => paddings(page)).toEqual(['24px', '12px', '12px']);
    await page.getByRole('button', { name: 'Put Narrow after Middle' }).click();
    await expect.poll(() => paddings(page)).toEqual(['24px', '12px', '6px']);
  });

  await test.step('taking over from another, and no circles', async () => {
    await page.getByRole('button', { name: /^Add at/ }).click();
    await page.getByRole('menuitem', { name: 'A short screen' }).click();
    await order.getByRole('button', { name: /^Short \d/ }).click();
    await page.getByLabel('Narrow', { exact: true }).check();
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(order).toContainText('499 and shorter, takes over Narrow');
    await page.getByLabel('Viewport height').fill('450');
    await page.getByLabel('Viewport height').press('Enter');
    await expect.poll(() => paddings(page)).toEqual(['6px', '6px', '6px']);
    await order.getByRole('button', { name: /^Narrow \d/ }).click();
    await page.getByLabel('Short', { exact: true }).check();
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByTestId('set').getByRole('alert')).toHaveText(/Narrow would, by way of others, take over from itself/);
    await page.getByRole('button', { name: 'Cancel' }).click();
  });

  await test.step('the map of the plane says who wins, and goes where it is pressed', async () => {
    await expect(page.getByTestId('plane-here')).toContainText('Short wins');
    const plane = (await page.getByTestId('plane').boundingBox())!;
    await page.getByTestId('plane').click({ position: { x: plane.width / 2, y: plane.height - 20 } });
    await expect(page.getByTestId('plane-here')).toContainText('Middle wins');
    expect(Number(await page.getByLabel('Viewport height').inputValue())).toBeGreaterThan(1000);
  });

  await test.step('conditions on the pointer are stood in for', async () => {
    await order.getByRole('button', { name: /^Short \d/ }).click();
    await page.getByLabel('Height to').fill('');
    await page.getByRole('combobox', { name: 'Pointer' }).last().selectOption('finger');
    await expect(page.getByTestId('condition-in-words')).toContainText('(pointer: coarse)');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect.poll(() => paddings(page)).toEqual(['24px', '12px', '6px']);
    await page.getByRole('combobox', { name: 'Pointer' }).first().selectOption('finger');
    await expect.poll(() => paddings(page, [1000])).toEqual(['6px']);
    await saved(page);
    const { project } = await readProject(request, id);
    expect(project.breakpoints.at(-1)).toMatchObject({ condition: { pointer: 'finger' }, also: ['bnar'] });
    // With the last condition of its kind the choice goes, and the usual screen is back.
    await page.getByRole('button', { name: 'Remove Short' }).click();
    await expect(page.getByLabel('Viewport height')).toHaveCount(0);
    await expect.poll(() => paddings(page)).toEqual(['24px', '12px', '6px']);
  });
});

test('a breakpoint goes: its values are listed and folded, moved or dropped', async ({ page, request }) => {
  const id = await boxes(request, 'Removal');
  await openWorkbench(page, id);
  await page.getByRole('tab', { name: 'Breakpoints' }).click();
  const remove = async (fate: string) => {
    await page.getByRole('button', { name: 'Remove Middle', exact: true }).first().click();
    await expect(page.getByRole('list', { name: 'Written there' })).toHaveText('Box A: padding-top, color');
    await page.getByRole('radio', { name: fate }).click();
  };
  for (const [fate, words, after, colour] of [
    ['Keep the look where that is possible', 'may change at 601 to 900', ['24px', '24px', '6px'], 'rgb(160, 32, 32)'],
    ['Move them to another', 'go to 600 and narrower', ['24px', '24px', '6px'], 'rgb(160, 32, 32)'],
    ['Drop them', 'and the 2 values written there', ['24px', '24px', '6px'], 'rgb(32, 32, 32)'],
  ] as const)
    await test.step(fate, async () => {
      await remove(fate);
      await expect(page.getByTestId('removal')).toContainText(words);
      await page.getByRole('dialog').getByRole('button', { name: 'Remove Middle' }).click();
      await expect.poll(() => paddings(page)).toEqual(after);
      expect(await computed(page, 'ea', 'color')).toBe(colour);
      await undo(page);
      await expect.poll(() => paddings(page)).toEqual(['24px', '12px', '6px']);
    });
});

test('ready sets, and what the checks of a set find, each with a mend that works', async ({ page, request }) => {
  const id = await boxes(request, 'Checks');
  await makeEdits(request, id, [
    { type: 'changeBreakpoint', id: 'bmid', condition: { from: 601.5, below: 800 } },
    { type: 'addBreakpoint', breakpoint: { id: 'bup', name: 'Up', condition: { from: 799 } } },
    {
      type: 'addBreakpoint',
      breakpoint: { id: 'bnot', name: 'Nowhere', condition: { from: 900, heightBelow: 500, orientation: 'portrait' } },
    },
    { type: 'addBreakpoint', breakpoint: { id: 'bdev', name: 'Edge', condition: { from: 1340 } } },
    { type: 'addBreakpoint', breakpoint: { id: 'bthin', name: 'Thin', condition: { from: 1320 } } },
  ]);
  await openWorkbench(page, id);
  await page.getByRole('tab', { name: 'Breakpoints' }).click();
  const problem = (kind: string) => page.locator(`[data-problem=${kind}]`);
  for (const [kind, words] of [
    ['hole', 'there is a hole at 601'],
    ['overlap', 'Middle and Up both hold at 799'],
    ['never-holds', 'can hold on no screen'],
    ['thin-band', 'is only 20 px wide'],
    ['device-on-edge', 'Notebook (1340 wide) sits right on the edge of Edge'],
  ] as const) {
    await expect(problem(kind)).toContainText(words);
    await problem(kind).getByRole('button').click();
    await expect(problem(kind)).toHaveCount(0);
  }
  await page.getByRole('button', { name: 'Ready sets' }).click();
  await page.getByRole('menuitem', { name: /^Replace by: From the middle/ }).click();
  await expect(proposal(page)).toContainText(/Replaces the \d breakpoints there are, and the 3 values written under them/);
  await doIt(page);
  await expect(page.getByRole('list', { name: 'Breakpoints in order' })).toContainText('Very wide');
  await undo(page);
  await goTo(page, 500);
  expect(await computed(page, 'ea', 'padding-top')).toBe('6px');
  await expect(frameOf(page).locator('body')).toBeVisible();
});
