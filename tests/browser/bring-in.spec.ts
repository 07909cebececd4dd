import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import {
  createProject,
  frameOf,
  goTo,
  openWorkbench,
  outline,
  readProject,
  saved,
  showLanes,
  swept,
  width,
  write,
} from './workbench';

// Findings are measured here by themselves.
test.use({ storageState: { cookies: [], origins: [] } });

const PAGE = `<!DOCTYPE html>
<html lang="en">
<head>
  <meta charset="utf-8">
  <title>Quay market</title>
  <link rel="stylesheet" href="css/market.css">
  <script>document.title = 'Run'</script>
</head>
<body onload="begin()">
  <h1>Quay market</h1>
  <!-- stalls -->
  <div id="stalls" class="row"><p class="stall">Fish and what goes with it</p><p class="stall">Bread of the day</p></div>
  <img src="img/quay.svg" alt="The quay" width="80" height="40"><img src="img/gone.png" alt="Gone">
</body>
</html>
`;
const CSS = `@import "type.css";
#stalls.row { display: flex; gap: 10px }
#stalls .stall { flex: 0 0 300px; background: #eee url(../img/quay.svg) }
@media (max-width: 500px) { h1 { color: rgb(200, 0, 0) } }
`;
const SVG = '<svg xmlns="http://www.w3.org/2000/svg" width="8" height="4"><rect width="8" height="4" fill="teal"/></svg>';
const PACKAGE = {
  'market/index.html': PAGE,
  'market/css/market.css': CSS,
  'market/css/type.css': 'body { margin: 8px; font: 16px/1.5 sans-serif }',
  'market/img/quay.svg': SVG,
};
const zipped = (files: Readonly<Record<string, string>>) =>
  Buffer.from(zipSync(Object.fromEntries(Object.entries(files).map(([path, text]) => [path, strToU8(text)]))));
const give = (page: Page, name: string, buffer: Buffer) =>
  page.getByLabel('Files or a ZIP …', { exact: true }).first().setInputFiles({ name, mimeType: 'application/zip', buffer });

test('a page that somebody else wrote: brought in, its failing width found, mended there, handed back', async ({
  page,
  request,
  browser,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Bring in pages …' }).click();
  await give(page, 'market.zip', zipped(PACKAGE));
  const report = page.getByTestId('bring-in-report');
  await expect(report).toContainText('1 page, 2 style sheets, 1 picture and font file came in.');
  await report.getByText('The file isn’t in the package.').click();
  await expect(report).toContainText('img/gone.png');
  await page.getByRole('button', { name: 'Open the project' }).click();
  await page.getByRole('tree').waitFor();
  const id = page.url().split('/').pop()!;

  // It lies as it was written, and says where its values come from.
  await swept(page);
  const stall = frameOf(page).locator('.stall').first();
  await expect(stall).toHaveCSS('width', '300px');
  await expect(frameOf(page).locator('img').first()).toHaveJSProperty('naturalWidth', 8);
  await outline(page, 'Fish and what goes with it').click();
  await page.getByRole('tab', { name: /Findings/ }).click();
  const finding = page
    .getByTestId('findings')
    .getByRole('button', { name: /reaches/ })
    .first();
  await expect(finding).toContainText('320 to 617');
  await finding.click();
  expect(await width(page)).toBe(320);

  // A breakpoint where it begins to fail; what is written there beats an id of the page's own sheet.
  await goTo(page, 617);
  await page.keyboard.press('Escape');
  await outline(page, 'stalls').click();
  await page.getByRole('tab', { name: 'Values' }).click();
  await page.getByRole('button', { name: /^Writes to/ }).click();
  await page.getByRole('option', { name: /New: 617 and narrower/ }).click();
  await write(page, 'flex-direction', 'column');
  await outline(page, 'Fish and what goes with it').click();
  await write(page, 'flex-basis', 'auto');
  await outline(page, 'Bread of the day').click();
  await write(page, 'flex-basis', 'auto');
  await saved(page);
  await swept(page);
  await page.getByRole('tab', { name: /Findings/ }).click();
  await expect(page.getByTestId('findings').getByRole('button', { name: /reaches/ })).toHaveCount(0);

  // Back: the same file but for what was added, and one sheet that does it.
  const files = unzipSync(new Uint8Array(await (await request.get(`/api/projects/${id}/export`)).body()));
  const text = (path: string) => new TextDecoder().decode(files[path]);
  expect(text('css/market.css')).toBe(CSS);
  expect(text('index-additions.css')).toMatch(
    /@media \(width < 618px\) \{\s*\.stalls:not\(#mp#mp\) \{\s*flex-direction: column;/,
  );
  const back = text('index.html');
  expect(back).toContain("<script>document.title = 'Run'</script>");
  expect(
    back
      .replace('  <link rel="stylesheet" href="index-additions.css">\n', '')
      .replace(/ (stalls|fish-and-what-goes-with-it|bread-of-the-day)(?=")/g, ''),
  ).toBe(PAGE);
  const folder = await mkdtemp(join(tmpdir(), 'mill-pond-back-'));
  const opened = await browser.newPage({ viewport: { width: 400, height: 600 } });
  try {
    for (const [path, content] of Object.entries(files)) {
      await mkdir(dirname(join(folder, path)), { recursive: true });
      await writeFile(join(folder, path), content);
    }
    await opened.goto(pathToFileURL(join(folder, 'index.html')).href);
    await expect(opened.locator('.stall').first()).toHaveCSS('width', '384px');
    expect(await opened.evaluate(() => document.documentElement.scrollWidth)).toBe(400);
    await opened.setViewportSize({ width: 640, height: 600 });
    await expect(opened.locator('.stall').first()).toHaveCSS('width', '300px');
  } finally {
    await opened.close();
    await rm(folder, { recursive: true });
  }
});

test('by keyboard, pasted into an open project; one undo takes it out again', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  await page.keyboard.press('Shift+G');
  await page.getByRole('button', { name: 'Add a page' }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.getByLabel('HTML', { exact: true }).focus();
  await page.keyboard.insertText('<p class="note" style="color: rgb(0, 0, 200)">Pasted <b>words</b></p>');
  await page.getByLabel('CSS, if it has its own').focus();
  await page.keyboard.insertText('.note { padding: 7px; color: rgb(200, 0, 0) } @layer a { .note { padding: 90px } }');
  await page.getByRole('button', { name: 'Bring in what was pasted' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('bring-in-report')).toContainText('1 page, 1 style sheet');
  await page.keyboard.press('Escape');
  const card = page.getByRole('button', { name: /^Pasted page,/ });
  await expect(card).toBeVisible();
  await expect(page.frameLocator('iframe[title="Picture of Pasted page"]').locator('p')).toHaveCSS('padding-top', '7px');
  await card.focus();
  await page.keyboard.press('Enter');
  await outline(page, 'Pasted').or(outline(page, 'Text')).first().click();
  await showLanes(page);
  const lane = (property: string) => page.getByRole('row', { name: new RegExp(`^${property}`) });
  await expect(lane('color')).toContainText('rgb(0, 0, 200)');
  await expect(lane('padding-top')).toContainText('7px');
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await readProject(request, id)).project.pages.length).toBe(6);
});

test('a page without a document type is laid out as it was, on the stage and where it is measured', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Bring in pages …' }).click();
  const old = '<body><p><table width="500"><tr><td height="40">One</table><img src="gone.png" width="20"></body>';
  await give(page, 'old.zip', zipped({ 'old.html': old }));
  await page.getByRole('button', { name: 'Open the project' }).click();
  await page.getByRole('tree').waitFor();
  await expect(frameOf(page).locator('p > table')).toHaveCSS('width', '500px');
  expect(
    await frameOf(page)
      .locator('body')
      .evaluate(() => document.compatMode),
  ).toBe('BackCompat');
  await swept(page);
  await page.getByRole('tab', { name: /Findings/ }).click();
  await expect(
    page
      .getByTestId('findings')
      .getByRole('button', { name: /reaches|sideways/ })
      .first(),
  ).toContainText('320 to 5');
});

for (const [name, buffer, why] of [
  ['without a page', zipped({ 'Unwanted.css': 'p {}' }), 'There is no HTML file in this package'],
  [
    'that is cut off',
    zipped({ 'index.html': PAGE.replace(/<title>.*<\/title>/, '<title>Unwanted</title>') }).subarray(0, 300),
    'isn’t a ZIP file, or it is cut off',
  ],
  [
    'of frames',
    zipped({ 'index.html': '<title>Unwanted</title><frameset><frame></frameset>' }),
    'A page of frames can’t be brought in',
  ],
] as const)
  test(`a package ${name} is refused with the reason, and nothing is left of it`, async ({ page, request }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'Bring in pages …' }).click();
    await give(page, 'bad.zip', buffer);
    await expect(page.getByRole('alert').filter({ hasText: why })).toBeVisible();
    const { projects } = (await (await request.get('/api/projects')).json()) as { projects: { name: string }[] };
    expect(projects.filter(({ name }) => name === 'Unwanted')).toEqual([]);
  });
