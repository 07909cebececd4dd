import type { Frame } from 'playwright-core';
import { previewDocument, renderPreview } from '@/core/render';
import type { Project } from '@/core/document';
import { launchChromium } from '@/server/browser/chromium';
import { fontData } from '@/server/browser/fonts';
import { ELEMENTS, projectOfCards } from './bench-page';

const STEPS = 95;

interface Pictures {
  /** The 95th percentile of the time between two, ms. */
  readonly p95: number;
  /** In how many of them the gap was another one than before. */
  readonly changes: number;
  readonly count: number;
}

/** The pictures of a frame while the work goes on: all of them, or those that show another gap than the one before. */
async function frames(page: Frame, row: boolean, work: () => Promise<void>): Promise<Pictures> {
  // As text: the loader would put a name of its own on the inner function.
  await page.evaluate(`
    window.times = [];
    window.going = true;
    window.row = document.querySelector('[data-mp-node=erow]');
    requestAnimationFrame(function tick(at) {
      const gap = row ? getComputedStyle(row).columnGap : '';
      times.push([at, gap !== window.last]);
      window.last = gap;
      if (going) requestAnimationFrame(tick);
    });
  `);
  await work();
  const times = await page.evaluate(() => {
    const kept = globalThis as unknown as { times: [at: number, changed: boolean][]; going: boolean };
    kept.going = false;
    return kept.times;
  });
  // A picture with another gap is done when the next one begins.
  const gaps = times.slice(1).flatMap(([at], i) => (!row || times[i]![1] ? [at - times[i]![0]] : []));
  return { p95: gaps.sort((x, y) => x - y)[Math.floor(gaps.length * 0.95)]!, changes: gaps.length, count: times.length };
}

/** Dragging a gap in the workbench, against the same style change made by a bare script in a bare frame. */
export async function benchDragging(): Promise<void> {
  const address = process.env.MILLPOND_URL!;
  const browser = await launchChromium();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const id = await projectOfCards(page, address);
  await page.addInitScript(() => localStorage.setItem('mill-pond-measuring', 'asked'));
  await page.goto(`${address}/projects/${id}`);
  await page.locator('[role=treeitem][data-row=erow]').click();
  const handle = page.locator('[data-handle="Column gap"]');
  await handle.waitFor();
  const box = (await handle.boundingBox())!;
  const drag = async () => {
    await page.mouse.move(box.x + 2, box.y + 8);
    await page.mouse.down();
    for (let i = 1; i <= STEPS; i++) {
      await page.mouse.move(box.x + 2 + (i % 30), box.y + 8);
      await page.waitForTimeout(8);
    }
    await page.mouse.up();
  };
  const main = await frames(page.mainFrame(), false, drag);
  // The previewed page has a process of its own: its pictures count as well.
  const preview = await frames(page.frames()[1]!, true, drag);
  const editor = Math.max(main.p95, preview.p95);
  if (preview.changes < 20) throw new Error('The gap was not dragged.');

  const bare = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const project = (await (await page.request.get(`${address}/api/projects/${id}`)).json()) as { project: Project };
  const html = previewDocument(renderPreview(project.project, project.project.pages[0]!, fontData), '');
  await bare.setContent(
    '<!doctype html><body style="margin:0"><iframe style="border:0;width:1200px;height:745px;transform:scale(.58);transform-origin:0 0"></iframe>',
  );
  await bare.evaluate(async (source) => {
    const frame = document.querySelector('iframe')!;
    frame.srcdoc = source;
    await new Promise((done) => frame.addEventListener('load', done, { once: true }));
  }, html);
  const script = () =>
    bare.evaluate(async (steps) => {
      const row = document.querySelector('iframe')!.contentDocument!.querySelector<HTMLElement>('[data-mp-node=erow]')!;
      for (let i = 0; i < steps; i++) {
        await new Promise(requestAnimationFrame);
        row.style.columnGap = `${20 + (i % 30)}px`;
      }
    }, STEPS);
  const plain = await frames(bare.frames()[1]!, true, script);
  console.log(
    `Dragging a gap on a page of ${ELEMENTS} elements: 95% of pictures within ${editor.toFixed(1)} ms, ${(editor / plain.p95).toFixed(2)} times a bare script's ${plain.p95.toFixed(1)} ms (another gap in ${preview.changes} of ${preview.count} pictures there, in ${plain.changes} of ${plain.count} here)`,
  );
  await page.request.delete(`${address}/api/projects/${id}`);
  await browser.close();
}
