import { mkdtemp, mkdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { unzipSync } from 'fflate';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { previewDocument, renderPreview } from '@/core/render';
import { fontData } from '@/server/browser/fonts';
import { createProject, readProject } from './workbench';

const WIDTHS = [320, 375, 480, 599, 600, 742, 899, 900, 1100, 1366, 1600, 1920];

/** Every element's box and every text's lines, in document order, to a hundredth of a px. */
async function rectangles(page: Page): Promise<string[]> {
  await page.evaluate(async () => {
    await document.fonts.ready;
    await Promise.all([...document.images].map((image) => image.decode().catch(() => undefined)));
  });
  return page.evaluate(() => {
    const round = (value: number) => Math.round(value * 100) / 100;
    const write = (rect: DOMRect) =>
      [rect.left + scrollX, rect.top + scrollY, rect.width, rect.height].map(round).join(' ');
    return [...document.body.querySelectorAll('*')].flatMap((element) => {
      const range = document.createRange();
      range.selectNodeContents(element);
      return [
        `${element.tagName} ${write(element.getBoundingClientRect())}`,
        ...[...range.getClientRects()].map(write),
      ];
    });
  });
}

test('the export opens from disk and lies exactly as the preview does, at 12 widths', async ({
  page,
  request,
  browser,
}) => {
  test.setTimeout(120_000);
  const id = await createProject(request, 'demo');
  const { project } = await readProject(request, id);
  const zip = unzipSync(new Uint8Array(await (await request.get(`/api/projects/${id}/export`)).body()));
  const again = unzipSync(new Uint8Array(await (await request.get(`/api/projects/${id}/export`)).body()));
  expect(again).toEqual(zip);
  const folder = await mkdtemp(join(tmpdir(), 'mill-pond-export-'));
  const previewPage = await browser.newPage();
  try {
    for (const [path, content] of Object.entries(zip)) {
      await mkdir(dirname(join(folder, path)), { recursive: true });
      await writeFile(join(folder, path), content);
    }
    for (const one of project.pages) {
      await page.goto(pathToFileURL(join(folder, `${one.slug}.html`)).href);
      await previewPage.setContent(previewDocument(renderPreview(project, one, fontData), ''));
      expect(await page.evaluate(() => document.fonts.size)).toBeGreaterThan(0);
      for (const width of WIDTHS) {
        await page.setViewportSize({ width, height: 800 });
        await previewPage.setViewportSize({ width, height: 800 });
        const exported = await rectangles(page);
        expect(exported.length).toBeGreaterThan(60);
        expect([one.name, width, await rectangles(previewPage)]).toEqual([one.name, width, exported]);
      }
    }
  } finally {
    await previewPage.close();
    await rm(folder, { recursive: true });
  }
});
