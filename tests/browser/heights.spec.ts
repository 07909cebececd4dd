import { expect, test } from '@playwright/test';
import { computed, createProject, elementNamed, frameOf, openWorkbench, outline, readProject, saved, write } from './workbench';

// The axis of heights and the matrix of sizes and orientations.

test('an arrangement for a size held upright, by keyboard; the other cells inherit; taken back', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  await page.getByRole('tab', { name: 'Breakpoints' }).click();
  const matrix = page.getByTestId('matrix');
  await expect(matrix.getByRole('row')).toHaveCount(5);
  await matrix.getByRole('button', { name: 'An arrangement of its own for Middle, upright' }).press('Enter');
  await expect(page.getByTestId('writes-to')).toContainText('portrait');
  await page.getByRole('tab', { name: 'Values' }).click();
  await outline(page, 'Welcome').click();
  await write(page, 'grid-template-columns', 'minmax(0, 1fr)');
  const { project } = await readProject(request, id);
  const welcome = elementNamed(project, 'Welcome').id;
  const count = () => computed(page, welcome, 'grid-template-columns').then((value) => value.split(' ').length);
  await expect.poll(count).toBe(1);
  await page.getByRole('tab', { name: 'Breakpoints' }).click();
  await expect(matrix.getByRole('button', { name: 'Middle, upright: 1 value' })).toHaveAttribute('aria-pressed', 'true');
  // Held the other way it is as beneath.
  await matrix.getByRole('button', { name: 'Middle, turned: as Middle' }).press('Enter');
  await expect.poll(count).toBe(2);
  await matrix.getByRole('button', { name: 'Narrow, upright: as Narrow' }).click();
  await expect.poll(count).toBe(1);
  await matrix.getByRole('button', { name: 'Middle, upright: 1 value' }).click();
  await expect.poll(count).toBe(1);
  await saved(page);
  for (let i = 0; i < 2; i++) await page.keyboard.press('ControlOrMeta+z');
  await expect(matrix.getByRole('button', { name: 'Middle, upright: as Middle' })).toBeVisible();
});

test('on the axis: what must be seen first, and the selection, whose end is dragged and stepped', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  await page.keyboard.press('Shift+K');
  await outline(page, 'Main button').click();
  await page.getByRole('checkbox', { name: 'Must be seen first' }).check();
  const axis = page.getByTestId('height-axis');
  const mark = axis.getByRole('img', { name: /^Main button must be seen first/ });
  const { y, height } = (await frameOf(page)
    .getByRole('link', { name: 'See the catalogue' })
    .evaluate((one) => {
      const box = one.getBoundingClientRect();
      return { y: box.top + scrollY, height: box.height };
    }))!;
  await expect(mark).toHaveAccessibleName(`Main button must be seen first; it is from ${Math.ceil(y + height)} px of height on`);

  await outline(page, 'Welcome').click();
  const grip = axis.getByRole('button', { name: /^Welcome ends at/ });
  const section = frameOf(page).locator('main > section').first();
  const high = () => section.evaluate((one) => Math.round(one.getBoundingClientRect().height));
  const before = await high();
  const box = (await grip.boundingBox())!;
  await page.mouse.move(box.x + 8, box.y + 4);
  await page.mouse.down();
  await page.mouse.move(box.x + 8, box.y + 64, { steps: 6 });
  await page.mouse.up();
  await expect.poll(high).toBeGreaterThan(before + 20);
  const dragged = await high();
  await grip.focus();
  await page.keyboard.press('Shift+ArrowDown');
  await expect.poll(high).toBe(dragged + 10);
  await saved(page);
  const { project } = await readProject(request, id);
  expect(elementNamed(project, 'Welcome').styles.base!['min-height']).toBe(`${dragged + 10}px`);
  await page.keyboard.press('ControlOrMeta+z');
  await page.keyboard.press('ControlOrMeta+z');
  await expect.poll(high).toBe(before);
});
