import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { askedFor, CHECKS } from '@/core/audit';
import { PLAIN_PROFILE } from '@/core/document';
import { createProject, openWorkbench, outline } from './workbench';

// Our own screens are held to our own checks: nothing broken, nothing poor.

test.use({ bypassCSP: true });

const asked = askedFor(PLAIN_PROFILE, ['widths', 'heights']);
const serious = new Set(CHECKS.filter(({ severity }) => severity !== 'note').map(({ id }) => id));
const script = readFileSync('generated/in-page.js', 'utf8');

/** What the checks say of the screen as it is, each element with the beginning of what it is. */
async function faults(page: Page): Promise<string[]> {
  if (!(await page.evaluate(() => 'millPond' in globalThis))) await page.evaluate(script);
  const found = await page.evaluate((list) => {
    for (const one of document.querySelectorAll('[data-mp-node]')) one.removeAttribute('data-mp-node');
    let count = 0;
    for (const one of document.querySelectorAll<HTMLElement>('body, body *'))
      if (
        !/^(script|style|br|wbr|source|template|option|optgroup|link|meta)$/.test(one.localName) &&
        !one.parentElement?.closest('svg')
      )
        one.dataset.mpNode = `n${count++}`;
    const told = globalThis.millPond.judgeHere(list, null).map(([check, name]) => {
      const element = document.querySelector<HTMLElement>(`[data-mp-node="${name}"]`)!;
      // Grips, bars and stretches are fine by their nature: what they do is done by fields and lists, too (2.5.8, “Equivalent”).
      const fine = check === 'small-target' && element.closest('[data-fine], [role=separator]') !== null;
      // A row of a list that is pressed as a whole, or a sentence that leads somewhere, is no label.
      const words = element.textContent.trim().split(/\s+/).length;
      const row = check === 'wrapped-label' && (element.querySelectorAll('span, b').length > 1 || words > 5);
      // What runs over the stage is cut off there, as the page is.
      const stage = check === 'clipped-content' && element.closest('[data-fine]') !== null;
      return { check, said: element.outerHTML.slice(0, 160), counts: !fine && !row && !stage };
    });
    return told.filter(({ counts }) => counts).map(({ check, said }) => ({ check, said }));
  }, asked);
  return found.filter(({ check }) => serious.has(check)).map(({ check, said }) => `${check}: ${said}`);
}

async function atWidths(page: Page, where: string, widths: readonly number[]): Promise<void> {
  for (const width of widths) {
    await page.setViewportSize({ width, height: 800 });
    await page.waitForTimeout(300);
    await expect.poll(() => faults(page), { message: `${where} at ${width} px` }).toEqual([]);
  }
}

/** Controls that reach past the window and can't be scrolled to. */
const cutOff = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const isScrolled = (element: Element): boolean => {
      for (let at = element.parentElement; at; at = at.parentElement)
        if (/auto|scroll/.test(getComputedStyle(at).overflowX) && at.scrollWidth > at.clientWidth) return true;
      return false;
    };
    return [...document.querySelectorAll('button, input, select, textarea, a')]
      .filter((one) => one.checkVisibility() && !one.closest('[data-fine], [inert], [role=separator]'))
      .filter((one) => one.getBoundingClientRect().right > innerWidth + 1 && !isScrolled(one))
      .map((one) => one.outerHTML.slice(0, 160));
  });

test('nothing is broken or poor on our own screens, from 900 to 1920 px', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  await page.goto('/');
  await page.getByRole('listitem').first().waitFor();
  await atWidths(page, 'projects', [640, 900, 1280, 1920]);
  await openWorkbench(page, id);
  await outline(page, 'Welcome words').click();
  await atWidths(page, 'workbench', [900, 1280, 1920]);
  await page.getByRole('button', { name: 'Lanes', exact: true }).click();
  for (const tab of ['Findings', 'Breakpoints', 'Styles', 'Grid']) {
    await page.getByRole('tab', { name: new RegExp(tab) }).click();
    await atWidths(page, tab, [900, 1280]);
  }
  for (const mode of ['Line up', 'Audit', 'Pages']) {
    await page
      .getByRole('navigation', { name: 'Views' })
      .getByRole('button', { name: new RegExp(`^${mode}`) })
      .click();
    await page.waitForTimeout(1_500);
    await atWidths(page, mode, [900, 1280, 1920]);
  }
});

test('in a window too narrow to shape in, or at 200%, it is said what still works, and it does', async ({ page, request }) => {
  await page.setViewportSize({ width: 640, height: 720 });
  await page.goto(`/projects/${await createProject(request, 'demo')}`);
  await expect(page.getByRole('note')).toContainText('narrower than 900 px');
  await page.getByRole('tab', { name: /Findings/ }).click();
  await expect(page.getByTestId('findings')).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(640);
  await page.getByRole('button', { name: 'Line up' }).click();
  await expect(page.getByTestId('device-size').first()).toBeVisible();
  // 400% of 1280 by 800 (WCAG 2.2, 1.4.10): all of it is reached by scrolling one way.
  await page.setViewportSize({ width: 320, height: 200 });
  for (const mode of ['Shape', 'Audit', 'Pages', 'Line up']) {
    const views = page.getByRole('navigation', { name: 'Views' });
    await views.getByRole('button', { name: new RegExp(`^${mode}`) }).click();
    await expect.poll(() => cutOff(page), { message: mode }).toEqual([]);
    const far = { Audit: page.getByTestId('audit-list'), Pages: page.getByLabel('Name of the base') }[mode];
    await (far ?? page.getByTestId('cursor')).scrollIntoViewIfNeeded();
    await expect(far ?? page.getByTestId('cursor')).toBeInViewport();
  }
});
