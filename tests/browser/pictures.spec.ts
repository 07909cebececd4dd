import { mkdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { createProject, elementNamed, frameOf, goTo, openWorkbench, outline, readProject, saved } from './workbench';

// Pictures made of pixels: taken in, shown, cut for a band, handed over in files that fit.

const noise = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#6b8', noise: { type: 'gaussian', mean: 120, sigma: 30 } } });

/** What an image on the page shows, as wide as it is. */
const shownWidth = (page: Page, name: string) =>
  frameOf(page)
    .getByRole('img', { name })
    .evaluate(async (image: HTMLImageElement) => {
      const content = getComputedStyle(image).content;
      const shown = new Image();
      shown.src = /^url\("(.*)"\)$/.exec(content)?.[1] ?? image.src;
      await shown.decode();
      return `${shown.naturalWidth} × ${shown.naturalHeight}`;
    });

test('several files at once, good and bad; shown by button, by drop, taken back; one that is shown stays', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  await outline(page, 'Shop picture').click();
  await page.keyboard.press('Shift+I');
  const dialog = page.getByRole('dialog', { name: 'Pictures' });
  const harbour = await noise(600, 300).jpeg().toBuffer();
  const frames = sharp(Buffer.alloc(40 * 80 * 3).fill(90, 40 * 40 * 3), {
    raw: { width: 40, height: 80, channels: 3, pageHeight: 40 },
  });
  await dialog.getByLabel('Add pictures …').setInputFiles([
    { name: 'Harbour.png', mimeType: 'image/png', buffer: harbour },
    { name: 'cut-off.jpg', mimeType: 'image/jpeg', buffer: harbour.subarray(0, 20_000) },
    { name: 'moving.webp', mimeType: 'image/webp', buffer: await frames.webp({ loop: 0, delay: [90, 90] }).toBuffer() },
    { name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('no picture') },
    {
      name: 'sign.svg',
      mimeType: 'image/svg+xml',
      buffer: Buffer.from(
        '<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)" viewBox="0 0 9 9"><script>alert(2)</script><path d="M0 0h9v9z"/></svg>',
      ),
    },
    { name: 'again.jpg', mimeType: 'image/jpeg', buffer: harbour },
  ]);
  const told = dialog.getByRole('list', { name: 'What became of the files' });
  await expect(told.getByRole('listitem')).toHaveText([
    'Harbour.png is a .jpg file by what it holds, and is taken as one.',
    'cut-off.jpg can’t be read: it is damaged or cut off.',
    'moving.webp moves. Take a still picture.',
    'notes.png isn’t a picture that is taken here: PNG, JPEG, WebP, AVIF or SVG.',
    /^Left out of sign\.svg/,
    'again.jpg is in the project already, as harbour.jpg.',
  ]);
  const row = dialog.getByRole('listitem').filter({ hasText: /^harbour\.jpg/ });
  await expect(row).toContainText('600 × 300 px');
  await expect(row).toContainText('not shown');
  await row.getByRole('button', { name: 'Show' }).click();
  await expect(row).toContainText('shown once');
  await expect(row.getByRole('button', { name: 'Remove harbour.jpg' })).toBeDisabled();
  await dialog.getByRole('button', { name: 'Close' }).click();
  await expect.poll(() => shownWidth(page, 'The library with its green front')).toBe('600 × 300');
  await page.keyboard.press('ControlOrMeta+z');
  await expect.poll(() => shownWidth(page, 'The library with its green front')).toBe('1800 × 1125');
  await page.keyboard.press('ControlOrMeta+Shift+z');
  await expect.poll(() => shownWidth(page, 'The library with its green front')).toBe('600 × 300');

  // Dropped on the page, one picture goes into the image that is selected.
  const bridge = (await noise(320, 320).png().toBuffer()).toString('base64');
  const transfer = await page.evaluateHandle((data) => {
    const bytes = Uint8Array.from(atob(data), (one) => one.charCodeAt(0));
    const given = new DataTransfer();
    given.items.add(new File([bytes], 'bridge.png', { type: 'image/png' }));
    return given;
  }, bridge);
  await page.locator('body').dispatchEvent('dragenter', { dataTransfer: transfer });
  await page.getByTestId('drop-zone').dispatchEvent('drop', { dataTransfer: transfer });
  await expect.poll(() => shownWidth(page, 'The library with its green front')).toBe('320 × 320');
  await saved(page);
  const { project } = await readProject(request, id);
  expect(elementNamed(project, 'Shop picture').attributes).toMatchObject({ width: '320', height: '320' });
  expect(project.pictures.find(({ fileName }) => fileName === 'sign.svg')!.svg).not.toMatch(/script|onload/);
  // Nothing is lost with the window, and another window shows it too.
  await page.reload();
  await outline(page, 'Shop picture').click();
  await expect.poll(() => shownWidth(page, 'The library with its green front')).toBe('320 × 320');
});

test('cut for a band by mouse and by keys, moved along the widths, weighed, and fetched as it was said', async ({
  page,
  request,
  browser,
}, info) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  await goTo(page, 700);
  await outline(page, 'Shop picture').click();
  const name = 'The library with its green front';
  await page.getByRole('button', { name: 'Cut at Middle …' }).click();
  const dialog = page.getByRole('dialog', { name: 'Cut shop-front-street.jpg' });
  await dialog.getByRole('combobox', { name: 'Width to height' }).fill('3 x 2');
  await page.keyboard.press('Tab');
  await expect(dialog).toContainText('A ratio is written like 3 : 2.');
  await dialog.getByRole('combobox', { name: 'Width to height' }).fill('1 : 1');
  await page.keyboard.press('Tab');
  await expect(dialog.getByTestId('cut-size')).toHaveText('1125 × 1125 px');
  const mark = dialog.getByRole('button', { name: /^What must stay in sight/ });
  await mark.focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('ArrowUp');
  await expect(mark).toHaveAccessibleName(/80% from the left, 49% from the top/);
  const pad = (await dialog.getByTestId('cut-rectangle').locator('..').boundingBox())!;
  await page.mouse.move(pad.x + pad.width * 0.7, pad.y + pad.height * 0.5);
  await page.mouse.down();
  await page.mouse.move(pad.x + pad.width * 0.25, pad.y + pad.height * 0.4, { steps: 4 });
  await page.mouse.up();
  await expect(mark).toHaveAccessibleName(/25% from the left, 40% from the top/);
  await dialog.getByRole('button', { name: 'Cut', exact: true }).press('Enter');
  await expect(dialog).toBeHidden();
  await expect.poll(() => shownWidth(page, name)).toBe('1125 × 1125');
  await goTo(page, 900);
  await expect.poll(() => shownWidth(page, name)).toBe('1800 × 1125');

  // Along the widths: the cut one begins to show at 1000 already, by the strip's menu.
  await goTo(page, 1000);
  const strip = page.getByRole('grid', { name: 'Who shows where' }).getByRole('row');
  await expect(strip).toContainText('Picture');
  await strip.getByRole('gridcell').nth(2).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: 'Begin at the cursor, 1000' }).click();
  await expect.poll(() => shownWidth(page, name)).toBe('1800 × 1125');
  await goTo(page, 999);
  await expect.poll(() => shownWidth(page, name)).toBe('1125 × 1125');
  await saved(page);

  // What is said of bytes is what a browser fetches.
  await page.keyboard.press('Shift+I');
  await page.getByRole('button', { name: 'What is fetched' }).click();
  const files = page.getByRole('list', { name: 'Files that are fetched' });
  const said = new Map<string, string[]>();
  const cells: [density: number, width: number][] = [];
  for (const [row, density] of [
    [0, 1],
    [1, 2],
    [4, 3],
  ] as const) {
    await page
      .getByTestId('fetched')
      .getByRole('row')
      .nth(row + 1)
      .getByRole('button')
      .nth(density - 1)
      .click();
    const heading = await page.getByRole('heading', { name: new RegExp(`density ${density}$`) }).textContent();
    const width = Number(/(\d+) px wide/.exec(heading!)![1]);
    cells.push([density, width]);
    said.set(`${density} ${width}`, (await files.getByRole('listitem').locator('.font-mono').allTextContents()).sort());
  }
  const folder = info.outputPath('handed');
  for (const [path, bytes] of Object.entries(
    unzipSync(new Uint8Array(await (await request.get(`/api/projects/${id}/export`)).body())),
  )) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), bytes);
  }
  const words = (bytes: number) =>
    bytes < 1_000 ? `${bytes} B` : `${bytes < 10_000 ? (bytes / 1_000).toFixed(1) : Math.round(bytes / 1_000)} kB`;
  for (const [density, width] of cells) {
    const context = await browser.newContext({ deviceScaleFactor: density, viewport: { width, height: 900 } });
    const visitor = await context.newPage();
    await visitor.goto(pathToFileURL(join(folder, 'index.html')).href);
    const fetched = await visitor.evaluate(async () => {
      const images = [...document.images];
      await Promise.all(images.map((image) => image.decode()));
      return [...new Set(images.map((image) => image.currentSrc))];
    });
    const bytes = fetched.map((address) => words(statSync(new URL(address)).size));
    expect([density, width, bytes.sort()]).toEqual([density, width, said.get(`${density} ${width}`)]);
    await context.close();
  }

  // In the line-up each device says its own.
  await page.getByRole('dialog', { name: 'Pictures' }).getByRole('button', { name: 'Close' }).click();
  await page.keyboard.press('Shift+L');
  await expect(page.getByRole('article', { name: /^Phone,/ }).getByTestId('device-size')).toContainText(/\d+ kB/);
});
