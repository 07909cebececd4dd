import { build } from 'esbuild';
import fc from 'fast-check';
import type { Browser, Page as BrowserPage } from 'playwright-core';
import { conditionInterval } from '@/core/breakpoints';
import { conditionsOf } from '@/core/cascade';
import type { Page, Project } from '@/core/document';
import { previewDocument, renderPreview, writeSheet } from '@/core/render';
import { demoProject } from '@/demo';
import { launchChromium } from '@/server/browser/chromium';
import { fontData } from '@/server/browser/fonts';
import type { DocumentReader } from '@/probe/document-facts';
import { arbitraryProject, interestingWidths } from './arbitrary-project';

// The reader keeps what it may of earlier widths. Whatever it keeps must be what a fresh one would read.

let browser: Browser;
let page: BrowserPage;

beforeAll(async () => {
  browser = await launchChromium();
  page = await browser.newPage({ viewport: { width: 2600, height: 900 } });
  await page.setContent('<!doctype html><body style="margin:0"><iframe style="border:0;height:800px"></iframe>');
  const bundle = await build({
    stdin: {
      contents: "import { DocumentReader } from '@/probe/document-facts'; globalThis.DocumentReader = DocumentReader;",
      resolveDir: process.cwd(),
    },
    bundle: true,
    write: false,
    format: 'iife',
  });
  await page.evaluate(bundle.outputFiles[0]!.text);
}, 60_000);
afterAll(() => browser.close());

/** For every width: the first fact in which the reused reader and a fresh one differ, if any. */
async function differences(project: Project, one: Page, widths: readonly number[]): Promise<string[]> {
  const preview = renderPreview(project, one, fontData);
  const fluid = /\d(?:[dsl]?v[wh]|vmin|vmax)\b/.test(writeSheet(preview.blocks));
  const follows = { type: fluid, insets: fluid, shifts: fluid, scrollPadding: fluid, spacing: fluid };
  const reading = { follows, containers: undefined, selfContained: !fluid };
  const edges = conditionsOf(project).flatMap((condition) =>
    Object.values(conditionInterval(condition)).filter((edge) => edge > 0 && edge < Infinity),
  );
  return page.evaluate(
    async ({ html, widths, edges, reading }) => {
      const Reader = (globalThis as unknown as { DocumentReader: typeof DocumentReader }).DocumentReader;
      const frame = document.querySelector('iframe')!;
      await new Promise((done) => {
        frame.onload = done;
        frame.srcdoc = html;
      });
      const inside = frame.contentDocument!;
      await inside.fonts.ready;
      const reused = new Reader(inside);
      const found: string[] = [];
      // Rounding of moved lines shows far behind the point.
      const near = (a: ArrayLike<number>, b: ArrayLike<number>) =>
        a.length === b.length && Array.from(a).every((value, i) => Math.abs(value - b[i]!) < 0.02);
      for (const width of widths) {
        frame.style.width = `${width}px`;
        const kept = reused.read(String(edges.filter((edge) => edge <= width).length), reading);
        const fresh = new Reader(inside).read('fresh');
        for (const name of ['boxes', 'shown', 'cutX', 'cutY', 'ellipsis', 'position', 'moved', 'ink', 'flow'] as const)
          if (!near(kept[name], fresh[name])) found.push(`${width} ${name}`);
        fresh.lines.forEach((lines, i) => {
          if (!near(kept.lines[i]!, lines))
            found.push(`${width} lines of ${fresh.elements[i]!.tag} ${[...kept.lines[i]!]} ${[...lines]}`);
          if (lines.length > 0 && kept.fontSize[i] !== fresh.fontSize[i])
            found.push(`${width} font size of ${fresh.elements[i]!.tag}`);
        });
        if (kept.scrollWidth !== fresh.scrollWidth) found.push(`${width} scroll width`);
      }
      return found;
    },
    { html: previewDocument(preview, ''), widths: [...widths], edges, reading },
  );
}

test('demo pages, every 97th width up and every 121st down', async () => {
  const project = demoProject('00000000-0000-4000-8000-000000000000');
  const up = Array.from({ length: 17 }, (_, i) => 320 + i * 97);
  const down = Array.from({ length: 13 }, (_, i) => 1915 - i * 121);
  for (const one of project.pages) expect([one.name, await differences(project, one, [...up, ...down])]).toEqual([one.name, []]);
}, 120_000);

test('8 random documents', async () => {
  const widths = fc.array(fc.integer({ min: 240, max: 2500 }), { minLength: 30, maxLength: 30 });
  await fc.assert(
    fc.asyncProperty(arbitraryProject, widths, async (project, random) => {
      const all = [...interestingWidths(project, []), ...random, ...random.map((width) => width + 1)];
      expect(await differences(project, project.pages[0]!, all)).toEqual([]);
    }),
    { numRuns: 8 },
  );
}, 240_000);
