import { readFileSync } from 'node:fs';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { createProject, field, frameOf, goTo, openWorkbench, outline, readProject, saved, showLanes } from './workbench';

const PAGE = `<!DOCTYPE html>
<html lang="en"><head><meta charset="utf-8"><title>Net loft</title><link rel="stylesheet" href="loft.css"></head>
<body><main class="loft"><h1 style="color: rgb(0, 0, 120); margin: 4px">Net loft</h1>
<p class="note">Open on market days</p><p class="note wide">Mending <b>while you wait</b></p></main>
<img src="img/net.svg" alt="A net"></body></html>`;
const CSS = `.loft { container-type: inline-size; padding: 10px }
.note { padding: 8px; color: rgb(0, 90, 0); font-weight: 600 }
.note.wide { padding-left: 30px }
@media (max-width: 600px) { .note { padding: 2px } }
@container (width > 700px) { .note { letter-spacing: 3px } .note:hover { letter-spacing: 5px } }
`;

/** Brings a page in as a project of its own, and opens it. */
async function bring(page: Page, files: Readonly<Record<string, string>>): Promise<string> {
  await page.goto('/');
  await page.getByRole('button', { name: 'Bring in pages …' }).click();
  const buffer = Buffer.from(zipSync(Object.fromEntries(Object.entries(files).map(([path, text]) => [path, strToU8(text)]))));
  await page
    .getByLabel('Files or a ZIP …', { exact: true })
    .first()
    .setInputFiles({ name: 'loft.zip', mimeType: 'application/zip', buffer });
  await page.getByRole('button', { name: 'Open the project' }).click();
  await page.getByRole('tree').waitFor();
  return page.url().split('/').pop()!;
}
const accept = async (page: Page, words: RegExp) => {
  const plan = page.getByRole('dialog', { name: 'What will happen' });
  await expect(plan).toContainText(words);
  await plan.getByRole('button', { name: 'Do it' }).press('Enter');
  await expect(plan).toHaveCount(0);
};
const story = (page: Page, label: string) =>
  page.getByRole('button', { name: new RegExp(`^${label}: .*Where it comes from`) }).first();

test('a sheet is taken over as shared styles and a style attribute as own values; the page looks the same', async ({
  page,
  request,
}) => {
  const id = await bring(page, { 'index.html': PAGE, 'loft.css': CSS });
  const wide = frameOf(page).locator('.note.wide');
  const looks = async () => {
    const seen: string[] = [];
    for (const width of [500, 600, 601, 1000]) {
      await goTo(page, width);
      for (const property of ['padding-left', 'padding-top', 'color', 'letter-spacing'])
        seen.push(await wide.evaluate((element, name) => getComputedStyle(element).getPropertyValue(name), property));
    }
    return seen;
  };
  const before = await looks();
  expect(before).toEqual(expect.arrayContaining(['30px', '2px', '3px']));
  await page.getByRole('tab', { name: 'Styles' }).click();
  await page.getByRole('button', { name: 'Take over all of loft.css' }).click();
  await accept(page, /Makes 4 rules of loft.css 3 shared styles.*only a browser can tell/s);
  await page.getByRole('button', { name: 'Make them own values' }).click();
  await accept(page, /Makes what the style attribute of 1 element says own values/);
  expect(await looks()).toEqual(before);
  await saved(page);
  const { project } = await readProject(request, id);
  expect(project.shared.map(({ name }) => name)).toEqual(['loft', 'note', '.note.wide']);
  expect(project.breakpoints.map(({ condition }) => condition)).toEqual([{ below: 601 }]);
  // It is written to like any other shared style, and still beats the sheet.
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await readProject(request, id)).project.shared).toEqual([]);
});

test('what only a browser can tell is asked of it: the story says so, and takes the rule over by keyboard', async ({ page }) => {
  await bring(page, { 'index.html': PAGE, 'loft.css': CSS });
  await goTo(page, 1000);
  await outline(page, 'Open on market days').click();
  const spacing = field(page, 'letter-spacing');
  await expect(spacing).toHaveValue('3px');
  await story(page, 'Letter spacing').press('Enter');
  await expect(page.getByRole('dialog', { name: /whole story/ })).toContainText(
    'loft.css, line 5: .note, as the browser says here',
  );
  await page.keyboard.press('Escape');
  // It is asked anew for a state that is held.
  await page.getByLabel('State', { exact: true }).selectOption('hover');
  await expect(spacing).toHaveValue('5px');
  await page.getByLabel('State', { exact: true }).selectOption('');
  await expect(spacing).toHaveValue('3px');
  await goTo(page, 650);
  await expect(spacing).toHaveValue('normal');
  // Elsewhere along the width nobody has asked.
  await showLanes(page);
  await expect(page.getByRole('row', { name: /^letter-spacing/ })).toContainText('?');
  await story(page, 'Weight').press('Enter');
  await page.getByRole('button', { name: 'Take over this rule' }).press('Enter');
  await accept(page, /Makes \d rules? of .note of loft.css/);
  await expect(frameOf(page).locator('.note').first()).toHaveCSS('font-weight', '600');
});

test('what was missing is added later, and stands where it was asked for', async ({ page }) => {
  await bring(page, { 'index.html': PAGE });
  await expect(frameOf(page).locator('.note').first()).toHaveCSS('padding-top', '0px');
  await page.keyboard.press('Shift+G');
  await page.getByText(/Came from/).click();
  const svg = '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="5"><rect width="9" height="5"/></svg>';
  await page.getByLabel('Add missing files …').setInputFiles([
    { name: 'loft.css', mimeType: 'text/css', buffer: Buffer.from(CSS) },
    { name: 'net.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) },
    { name: 'nobody.png', mimeType: 'image/png', buffer: Buffer.from('PNG') },
  ]);
  await expect(page.getByText('2 files are there now. No page asks for nobody.png.')).toBeVisible();
  const shown = page.frameLocator('iframe[title="Picture of Net loft"]');
  await expect(shown.locator('img')).toHaveJSProperty('naturalWidth', 9);
  await expect(shown.locator('.note').first()).toHaveCSS('padding-top', '8px');
});

test('a font is added by drop, used, and handed over as far as it is needed', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  const bytes = readFileSync('node_modules/@fontsource-variable/spline-sans-mono/files/spline-sans-mono-latin-wght-normal.woff2');
  await outline(page, 'Header').click();
  const transfer = await page.evaluateHandle((data) => {
    const made = new DataTransfer();
    made.items.add(new File([Uint8Array.from(atob(data), (one) => one.charCodeAt(0))], 'mono.woff2'));
    return made;
  }, bytes.toString('base64'));
  await page.dispatchEvent('[data-stage]', 'dragenter', { dataTransfer: transfer });
  await page.dispatchEvent('[data-testid="drop-zone"]', 'drop', { dataTransfer: transfer });
  const entry = page.locator('[data-font="Spline Sans Mono"]');
  await expect(entry).toContainText('unused');
  await expect(entry).toContainText('Courier New');
  await entry.getByLabel('Family of Spline Sans Mono').fill('Ledger Mono');
  await page.keyboard.press('Enter');
  const renamed = page.locator('[data-font="Ledger Mono"]');
  await renamed.getByRole('button', { name: 'Use on the selection' }).click();
  await expect(renamed).not.toContainText('unused');
  await expect
    .poll(() =>
      frameOf(page)
        .locator('body')
        .evaluate(() =>
          [...document.fonts].some(
            ({ family, status }) => family.includes('Ledger Mono') && !family.includes('fallback') && status === 'loaded',
          ),
        ),
    )
    .toBe(true);
  await saved(page);
  const files = unzipSync(new Uint8Array(await (await request.get(`/api/projects/${id}/export`)).body()));
  const path = Object.keys(files).find((one) => /^fonts\/ledger-mono-.*\.woff2$/.test(one))!;
  expect(files[path]!.length).toBeLessThan(bytes.length);
  expect(new TextDecoder().decode(files['styles.css'])).toMatch(/font-family: "Ledger Mono", "Ledger Mono fallback", monospace/);
  expect(new TextDecoder().decode(files['fonts/LICENCES.txt'])).toContain('OFL');
  const bad = await request.post(`/api/projects/${id}/fonts?name=bad.ttf`, { data: bytes.subarray(0, 200) });
  expect([bad.status(), ((await bad.json()) as { error: string }).error]).toEqual([
    422,
    expect.stringContaining('bad.ttf can’t be read'),
  ]);
});
