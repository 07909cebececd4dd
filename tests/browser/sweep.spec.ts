import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { createProject, frameOf, openWorkbench, saved, swept, write } from './workbench';

const CHECKS = [
  'Page scrolls sideways',
  'Stands outside the viewport',
  'Content is cut off',
  'Two texts overlap',
  'Label breaks into lines',
  'Text is small',
];

// Findings are measured here by themselves.
test.use({ storageState: { cookies: [], origins: [] } });

test('the front page is finished: nothing broken or poor at any width; the catalogue has all six faults', async ({
  page,
  request,
}) => {
  await openWorkbench(page, await createProject(request, 'demo'));
  await swept(page);
  await page.getByRole('tab', { name: /Findings/ }).click();
  await expect(page.getByTestId('findings')).toContainText(/Every width from 320 to 1920 (decided|measured): \d+ notes/);
  for (const name of ['Broken', 'Poor']) await expect(page.getByRole('region', { name })).toHaveCount(0);
  const spoken = await listening(page);
  await page.getByRole('button', { name: /^Page:/ }).click();
  await page.getByRole('menuitem', { name: 'Catalogue' }).click();
  await swept(page);
  for (const title of CHECKS) await expect(page.getByTestId('findings').getByText(title).first()).toBeVisible();
  // Of a count that goes up many times a second screen readers say the end.
  const heard = await spoken();
  expect(heard.filter((text) => /widths decided/.test(text))).toEqual([]);
  expect(heard.filter((text) => text.startsWith('Every width from 320 to 1920'))).toHaveLength(1);
});

/** Takes down what changes in places that screen readers say aloud. */
async function listening(page: Page): Promise<() => Promise<string[]>> {
  await page.evaluate(() => {
    const heard: string[] = [];
    Object.assign(globalThis, { heard });
    new MutationObserver((changes) => {
      const places = changes.map(({ target }) =>
        (target instanceof Element ? target : target.parentElement)?.closest('[role=status], [aria-live]'),
      );
      for (const place of new Set(places)) if (place && place.getAttribute('aria-live') !== 'off') heard.push(place.textContent);
    }).observe(document.body, { subtree: true, childList: true, characterData: true });
  });
  return () => page.evaluate(() => (globalThis as unknown as { heard: string[] }).heard);
}

test('after an edit only the widths it can have changed are measured again', async ({ page, request }) => {
  await openWorkbench(page, await createProject(request, 'demo'), 'Catalogue');
  await swept(page);
  const asked: { first: number; last: number }[][] = [];
  page.on('request', (sent) => {
    if (sent.url().endsWith('/sweep')) asked.push((sent.postDataJSON() as { widths: { first: number; last: number }[] }).widths);
  });
  await page
    .getByRole('treeitem', { name: /^Filters/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Narrow', exact: true }).first().click();
  await expect(page.getByTestId('writes-to')).toHaveText('Writes to 599 and narrower');
  await write(page, 'flex-wrap', 'wrap');
  await saved(page);
  await swept(page);
  expect(asked).toEqual([[{ first: 320, last: 599 }]]);
});

test('a sweep can be stopped and taken up again', async ({ page, request }) => {
  await openWorkbench(page, await createProject(request, 'demo'), 'Catalogue');
  const state = page.getByTestId('sweep-state');
  await state.getByRole('button', { name: 'Stop' }).click();
  await expect(state).toContainText(/\d+ of 1601 widths/);
  await page.waitForTimeout(400);
  const held = await state.textContent();
  await page.waitForTimeout(400);
  expect(await state.textContent()).toBe(held);
  await state.getByRole('button', { name: 'Go on' }).click();
  await swept(page);
});

test('page content runs in a frame of its own, without network and without the origin of the program', async ({
  page,
  request,
}) => {
  await openWorkbench(page, await createProject(request, 'demo'));
  await expect(page.locator('iframe')).toHaveAttribute('sandbox', 'allow-scripts');
  const inside = frameOf(page).locator('body');
  expect(await inside.evaluate(() => origin)).toBe('null');
  expect(
    await inside.evaluate((body) => {
      try {
        return String(body.ownerDocument.defaultView!.parent.document);
      } catch {
        return 'refused';
      }
    }),
  ).toBe('refused');
  expect(
    await inside.evaluate(() =>
      fetch('/api/projects').then(
        () => 'answered',
        () => 'refused',
      ),
    ),
  ).toBe('refused');
});
