import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { zipSync } from 'fflate';
import type { Browser, Page } from 'playwright-core';
import { launchChromium } from '@/server/browser/chromium';
import { largePage } from './large-page';

const ROUNDS = 3;
const CARDS = 600;

const middle = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
const drawn = (page: Page) => page.evaluate('new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))');

/** How long Chromium takes to open the page from the disk and draw it. */
async function opened(browser: Browser, address: string): Promise<number> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const begun = performance.now();
  await page.goto(address);
  await drawn(page);
  const taken = performance.now() - begun;
  await page.close();
  return taken;
}

/** A large page brought in, from the ZIP to the report and to its first frame on the stage, against Chromium opening the file. */
export async function benchBringIn(): Promise<void> {
  const address = process.env.MILLPOND_URL!;
  const files = largePage(CARDS);
  const text = new TextEncoder();
  const zip = Buffer.from(zipSync(Object.fromEntries(Object.entries(files).map(([path, one]) => [path, text.encode(one)]))));
  const folder = await mkdtemp(join(tmpdir(), 'mill-pond-bench-'));
  const browser = await launchChromium();
  try {
    for (const [path, one] of Object.entries(files)) await writeFile(join(folder, path), one);
    const bare: number[] = [];
    const read: number[] = [];
    const shown: number[] = [];
    for (let round = 0; round < ROUNDS; round++) {
      bare.push(await opened(browser, pathToFileURL(join(folder, 'index.html')).href));
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      const begun = performance.now();
      const answer = await page.request.post(`${address}/api/projects/bring-in?name=Bench`, {
        headers: { 'content-type': 'application/zip' },
        data: zip,
      });
      const id = /"type":"made","id":"([^"]+)"/.exec(await answer.text())![1]!;
      read.push(performance.now() - begun);
      await page.goto(`${address}/projects/${id}`);
      await page.frameLocator('iframe').locator('.card').first().waitFor();
      await drawn(page);
      shown.push(performance.now() - begun);
      await page.close();
      await page.request.delete(`${address}/api/projects/${id}`).catch(() => undefined);
    }
    const [a, b, c] = [bare, read, shown].map(middle) as [number, number, number];
    const seconds = (ms: number) => `${(ms / 1_000).toFixed(1)} s`;
    console.log(
      `Bringing in a page of ${5 * CARDS + 2} elements and ${Math.round(files['main.css']!.length / 1_000)} kB of CSS (median of ${ROUNDS}): in after ${seconds(b)} (at most 5 is wanted), on the stage after ${seconds(c)} (at most 7); Chromium opens the file in ${seconds(a)}, ratios ${(b / a).toFixed(1)} and ${(c / a).toFixed(1)}`,
    );
  } finally {
    await browser.close();
    await rm(folder, { recursive: true });
  }
}
