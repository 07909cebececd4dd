import { execSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Browser, Frame, Page } from 'playwright-core';
import type { Project } from '@/core/document';
import { previewDocument, renderPreview } from '@/core/render';
import { launchChromium } from '@/server/browser/chromium';
import { fontData } from '@/server/browser/fonts';
import { ELEMENTS, projectOfCards } from './bench-page';

const DEVICES = ['dsmall', 'dphone', 'dlargephone', 'dopen', 'dtablet', 'doldesk', 'dnote', 'ddesk'];
const ZOOM = 0.2;
const STEPS = 40;
/** Large enough for all frames to be in sight: a browser makes no pictures of those that aren't. */
const VIEWPORT = { width: 1600, height: 1200 };

const p95 = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length * 0.95)]!;

/**
 * Each frame notes when it has made a picture that shows another gap: the first card is then as wide as never before.
 * Nothing is asked in between: a loop of pictures would take the time that is to be measured.
 */
const WATCH = `
  window.pictures = [];
  new ResizeObserver(() => {
    const channel = new MessageChannel();
    // After the picture, not before it.
    channel.port1.onmessage = () => pictures.push(performance.timeOrigin + performance.now());
    channel.port2.postMessage(0);
  }).observe(document.querySelector('[data-mp-node=ec0]'));
`;

const pictures = (frame: Frame) => frame.evaluate(() => (globalThis as unknown as { pictures: number[] }).pictures);

/** Ms until the last of the frames has made a picture, from when it was asked for. */
async function until(frames: readonly Frame[], asked: number): Promise<number> {
  for (let waited = 0; waited < 200; waited++) {
    await new Promise((resolve) => setTimeout(resolve, 50));
    const last = (await Promise.all(frames.map(pictures))).map((times) => times.find((time) => time > asked));
    if (last.every((time) => time !== undefined)) return Math.max(...last) - asked;
  }
  throw new Error('A frame never showed the edit.');
}

const now = 'performance.timeOrigin + performance.now()';

async function lineup(browser: Browser, address: string, id: string, devices: readonly string[], zoom: number): Promise<Page> {
  const page = await browser.newPage({ viewport: VIEWPORT });
  await page.addInitScript(
    ([project, list]) => {
      try {
        localStorage.setItem('mill-pond-measuring', 'asked');
        localStorage.setItem(`mill-pond-lineup ${project}`, JSON.stringify({ places: list.map((device) => ({ device })) }));
      } catch {
        // Preview frames have no storage.
      }
    },
    [id, devices] as const,
  );
  await page.goto(`${address}/projects/${id}`);
  await page.locator('[role=treeitem][data-row=erow]').click();
  await page.getByRole('button', { name: 'Line up' }).click();
  await page.getByRole('combobox', { name: 'Zoom of all frames' }).selectOption(String(zoom));
  return page;
}

const inside = (page: Page) => page.frames().slice(1);

async function showing(page: Page, count: number): Promise<void> {
  await page.waitForFunction((wanted) => document.querySelectorAll('iframe').length >= wanted, count);
  for (const frame of inside(page)) await frame.waitForSelector('[data-mp-node=erow]');
  await page.waitForTimeout(800);
}

/** A page of sandboxed frames as large as the devices, without anything around them, that take a rule by message. */
async function bareFrames(browser: Browser, address: string, project: Project): Promise<Page> {
  const bare = await browser.newPage({ viewport: VIEWPORT });
  await bare.goto(`${address}/api/health`);
  const listen = `<script>addEventListener('message', ({ data }) => { for (const sheet of document.styleSheets) for (const rule of sheet.cssRules) if (rule.selectorText === data.selector) rule.style.cssText = data.css; });</script>`;
  const preview = renderPreview(project, project.pages[0]!, fontData);
  const html = previewDocument(preview, '').replace('</html>', `${listen}</html>`);
  const sizes = DEVICES.map((device) => project.devices.find((one) => one.id === device)!);
  await bare.setContent('<!doctype html><body style="margin:0">');
  await bare.evaluate(
    ([source, list, zoom]) => {
      for (const { width, height } of list) {
        const box = document.createElement('div');
        box.style.cssText = `float:left;overflow:hidden;width:${width * zoom}px;height:${height * zoom}px;margin:4px`;
        const frame = document.createElement('iframe');
        frame.setAttribute('sandbox', 'allow-scripts');
        frame.style.cssText = `border:0;width:${width}px;height:${height}px;transform:scale(${zoom});transform-origin:0 0`;
        frame.srcdoc = source;
        box.append(frame);
        document.body.append(box);
      }
    },
    [html, sizes, ZOOM] as const,
  );
  return bare;
}

/** An edit in the line-up until all eight frames show it, against eight bare frames that get the same rule by message. */
async function updates(browser: Browser, address: string, id: string, project: Project): Promise<void> {
  const page = await lineup(browser, address, id, DEVICES, ZOOM);
  await showing(page, DEVICES.length);
  for (const frame of inside(page)) await frame.evaluate(WATCH);
  const field = page.locator('input[data-property="gap"]');
  await field.focus();
  const ours: number[] = [];
  for (let step = 1; step <= STEPS; step++) {
    await page.evaluate(`addEventListener('keydown', () => (window.asked = ${now}), { once: true, capture: true })`);
    await field.fill(`8px ${20 + step}px`);
    await field.press('Enter');
    ours.push(await until(inside(page), await page.evaluate('window.asked')));
  }
  await page.close();

  const preview = renderPreview(project, project.pages[0]!, fontData);
  const rule = preview.blocks.flatMap(({ rules }) => rules).find(({ key }) => key === 'erow')!;
  const bare = await bareFrames(browser, address, project);
  await showing(bare, DEVICES.length);
  for (const frame of inside(bare)) await frame.evaluate(WATCH);
  const theirs: number[] = [];
  for (let step = 1; step <= STEPS; step++) {
    const css = rule.lines.join(' ').replace(/gap: [^;]+;/, `gap: 8px ${20 + step}px;`);
    const asked = await bare.evaluate(
      ([selector, text]) => {
        for (const frame of document.querySelectorAll('iframe')) frame.contentWindow!.postMessage({ selector, css: text }, '*');
        return performance.timeOrigin + performance.now();
      },
      [rule.selector, css] as const,
    );
    theirs.push(await until(inside(bare), asked));
  }
  await bare.close();
  console.log(
    `Line-up of ${DEVICES.length} frames, ${ELEMENTS} elements each: an edit shows in all within ${p95(ours).toFixed(0)} ms (p95 of ${STEPS}), ${(p95(ours) / p95(theirs)).toFixed(2)} times the ${p95(theirs).toFixed(0)} ms of bare frames (at most 2 is wanted)`,
  );
}

/** How often each second frames show another width while the gauge is scrubbed, and all of them flow with it. */
async function scrubbing(browser: Browser, address: string, id: string, project: Project): Promise<void> {
  const page = await lineup(browser, address, id, DEVICES, ZOOM);
  await showing(page, DEVICES.length);
  const inHand = DEVICES.indexOf('dtablet');
  await page.locator('article[data-place] header button').nth(0).waitFor();
  await page.getByRole('button', { name: 'Frames' }).click();
  await page.getByRole('checkbox', { name: /All follow the cursor/ }).check();
  await page.keyboard.press('Escape');
  await page.locator('article[data-place]').nth(inHand).locator('header button').first().click();
  for (const frame of inside(page)) await frame.evaluate(WATCH);
  const axis = (await page.getByTestId('axis').boundingBox())!;
  const start = performance.now();
  await page.mouse.move(axis.x + axis.width * 0.5, axis.y + 20);
  await page.mouse.down();
  for (let i = 0; performance.now() - start < 8_000; i++) {
    await page.mouse.move(axis.x + axis.width * (0.5 - 0.35 * Math.sin(i / 40)), axis.y + 20);
    await page.waitForTimeout(8);
  }
  await page.mouse.up();
  const seconds = (performance.now() - start) / 1000;
  const rates = (await Promise.all(inside(page).map(pictures))).map((times) => times.length / seconds);
  await page.close();

  const bare = await bareFrames(browser, address, project);
  await showing(bare, DEVICES.length);
  for (const frame of inside(bare)) await frame.evaluate(WATCH);
  await bare.evaluate(async () => {
    const frames = [...document.querySelectorAll('iframe')].map((frame) => ({ frame, width: frame.clientWidth }));
    const begun = performance.now();
    for (let i = 0; performance.now() - begun < 5_000; i++) {
      await new Promise(requestAnimationFrame);
      for (const { frame, width } of frames) frame.style.width = `${Math.round(width * (1 + 0.3 * Math.sin(i / 15)))}px`;
    }
  });
  const theirs = (await Promise.all(inside(bare).map(pictures))).map((times) => times.length / 5);
  await bare.close();
  const others = rates.filter((_, i) => i !== inHand);
  const one = (value: number) => value.toFixed(1);
  console.log(
    `Scrubbing with ${DEVICES.length} frames of ${ELEMENTS} elements: the one in hand shows ${one(rates[inHand]!)} widths a second, the others ${one(Math.min(...others))} to ${one(Math.max(...others))}, ${one(rates.reduce((sum, rate) => sum + rate, 0))} in all (20 are wanted); bare frames of which a script changes all widths at once, ${one(Math.min(...theirs))}`,
  );
}

/** Memory of all processes of a browser, each shared part counted once (PSS), MB. */
function memoryOf(pid: number): number {
  const list = execSync('ps -eo pid,ppid')
    .toString()
    .trim()
    .split('\n')
    .slice(1)
    .map((line) => line.trim().split(/\s+/).map(Number));
  const family = new Set([pid]);
  for (let grown = true; grown;) {
    grown = false;
    for (const [one, parent] of list) if (family.has(parent!) && !family.has(one!)) grown = !!family.add(one!);
  }
  return [...family].reduce((sum, one) => {
    try {
      return sum + Number(/^Pss:\s+(\d+)/m.exec(readFileSync(`/proc/${one}/smaps_rollup`, 'utf8'))?.[1] ?? 0) / 1024;
    } catch {
      return sum;
    }
  }, 0);
}

async function memory(address: string, id: string, project: Project): Promise<void> {
  const browser = await launchChromium();
  const devices = project.devices.slice(0, 25).map((device) => device.id);
  const page = await lineup(browser, address, id, devices, 0.35);
  await page.waitForTimeout(1500);
  // Each frame is made when it first comes into sight.
  const bed = page.getByRole('group', { name: /^Devices/ });
  for (let at = 0; at < 12; at++) {
    await bed.evaluate((element, step) => element.scrollTo(0, step * 300), at);
    await page.waitForTimeout(400);
  }
  const open = inside(page).length;
  const session = await browser.newBrowserCDPSession();
  const { processInfo } = await session.send('SystemInfo.getProcessInfo');
  const main = processInfo.find(({ type }) => type === 'browser')!.id;
  console.log(`${open} devices open: ${memoryOf(main).toFixed(0)} MB in all processes of the browser (1,500 at most are wanted)`);
  await browser.close();
}

/** The line-up's promises: quick updates, scrubbing, memory. */
export async function benchLineup(): Promise<void> {
  const address = process.env.MILLPOND_URL!;
  const browser = await launchChromium();
  const first = await browser.newPage();
  const id = await projectOfCards(first, address);
  const { project } = (await (await first.request.get(`${address}/api/projects/${id}`)).json()) as { project: Project };
  await updates(browser, address, id, project);
  await scrubbing(browser, address, id, project);
  await first.request.delete(`${address}/api/projects/${id}`);
  await browser.close();
  const other = await launchChromium();
  const page = await other.newPage();
  const again = await projectOfCards(page, address);
  await other.close();
  await memory(address, again, project);
}
