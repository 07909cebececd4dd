import { mkdtemp, mkdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { expect } from '@playwright/test';
import type { APIRequestContext, Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import { previewDocument, renderPreview } from '@/core/render';
import { fontData } from '@/server/browser/fonts';
import { loadFiles } from '@/server/store/files';
import { readProject } from './workbench';

/** Every element's box and every text's lines, in document order, to a hundredth of a px. */
async function rectangles(page: Page): Promise<string[]> {
  await page.evaluate(async () => {
    await document.fonts.ready;
    // Another file may be chosen only when a frame of the new size is drawn; decoding ends for the one before it.
    do await new Promise(requestAnimationFrame);
    while (![...document.images].every(({ complete }) => complete));
    await Promise.all([...document.images].map((image) => image.decode().catch(() => undefined)));
  });
  return page.evaluate(() => {
    const round = (value: number) => Math.round(value * 100) / 100;
    const write = (rect: DOMRect) => [rect.left + scrollX, rect.top + scrollY, rect.width, rect.height].map(round).join(' ');
    // What names the other files of a picture stands only in what is handed over, and has no box.
    return [...document.body.querySelectorAll(':not(picture, source)')].flatMap((element) => {
      const range = document.createRange();
      range.selectNodeContents(element);
      const box = `${element.tagName} ${write(element.getBoundingClientRect())}`;
      // Ranges tell of images otherwise where something stands around them.
      return element.querySelector('img') ? [box] : [box, ...[...range.getClientRects()].map(write)];
    });
  });
}

/** Opens the export from disk beside the preview and compares every rectangle at every width. */
export async function compareExport(
  page: Page,
  preview: Page,
  request: APIRequestContext,
  id: string,
  widths: readonly number[],
  least: number,
): Promise<void> {
  const { project } = await readProject(request, id);
  const zip = unzipSync(new Uint8Array(await (await request.get(`/api/projects/${id}/export`)).body()));
  const folder = await mkdtemp(join(tmpdir(), 'mill-pond-export-'));
  try {
    for (const [path, content] of Object.entries(zip)) {
      await mkdir(dirname(join(folder, path)), { recursive: true });
      await writeFile(join(folder, path), content);
    }
    await loadFiles(project);
    for (const one of project.pages) {
      await page.goto(pathToFileURL(join(folder, `${one.slug}.html`)).href);
      await preview.setContent(previewDocument(renderPreview(project, one, fontData), ''));
      // Here scrollbars are hidden, which takes them away but not the room that is kept for them.
      await page.addStyleTag({ content: '@layer { * { scrollbar-width: none; } }' });
      expect(await page.evaluate(() => document.fonts.size)).toBeGreaterThan(0);
      for (const width of widths) {
        await page.setViewportSize({ width, height: 800 });
        await preview.setViewportSize({ width, height: 800 });
        const exported = await rectangles(page);
        expect(exported.length).toBeGreaterThan(least);
        expect([one.name, width, await rectangles(preview)]).toEqual([one.name, width, exported]);
      }
    }
  } finally {
    await rm(folder, { recursive: true });
  }
}
