import { randomUUID } from 'node:crypto';
import type { Page as BrowserPage } from 'playwright-core';
import { launchChromium } from '@/server/browser/chromium';
import { call, quantile } from './load-people';

const OPENINGS = 5;
const EDITS = 40;
const PER_ROW = 200;

interface Opened {
  readonly project: { readonly pages: readonly { id: string; root: string; elements: Record<string, { children: string[] }> }[] };
}

const element = (id: string, tag: string, more: object = {}) => ({
  ...{ id, tag, name: id, attributes: {}, children: [], shared: [], styles: {} },
  ...more,
});

/** A project with one page of about so many elements: grids of cards of five. */
async function largeProject(address: string, elements: number): Promise<{ id: string; cards: number; revision: number }> {
  const { id } = JSON.parse((await call(`${address}/api/projects`, { name: `${elements} elements`, from: 'empty' })).text) as {
    id: string;
  };
  const { project } = JSON.parse((await call(`${address}/api/projects/${id}`)).text) as Opened;
  const page = project.pages[0]!;
  const parent = page.elements[page.root]!.children[0]!;
  const cards = Math.floor((elements - 40) / 5);
  let revision = 0;
  for (let at = 0; at < cards; at += PER_ROW) {
    const parts = Array.from({ length: Math.min(PER_ROW, cards - at) }, (_, k) => [
      element(`ec${at + k}`, 'div', {
        children: ['h', 't', 'r'].map((part) => `e${part}${at + k}`),
        styles: { base: { 'padding-top': '8px' } },
      }),
      element(`eh${at + k}`, 'h3', { text: `Tool ${at + k}` }),
      element(`et${at + k}`, 'p', { text: 'Hangs on a peg, goes out for a week.' }),
      element(`er${at + k}`, 'div', { children: [`eb${at + k}`] }),
      element(`eb${at + k}`, 'button', { text: 'Reserve' }),
    ]);
    const styles = { base: { display: 'grid', 'grid-template-columns': 'repeat(4, minmax(0, 1fr))', 'row-gap': '8px' } };
    const row = element(`erow${at}`, 'div', { name: 'Cards', children: parts.map(([card]) => card!.id), styles });
    const edit = { type: 'insertElement', page: page.id, parent, index: 0, elements: [row, ...parts.flat()] };
    const body = { revision, edits: [{ id: randomUUID(), kind: 'do', edit }] };
    ({ revision } = JSON.parse((await call(`${address}/api/projects/${id}/edits`, body)).text) as { revision: number });
  }
  return { id, cards, revision };
}

const untilFrame = (cards: number) =>
  `new Promise((done) => (function look() { document.querySelectorAll('button').length >= ${cards} ? requestAnimationFrame(() => done()) : setTimeout(look, 5); })())`;

async function open(page: BrowserPage, url: string, cards: number): Promise<number> {
  const begun = performance.now();
  await page.goto(url);
  await page.waitForSelector('iframe', { state: 'attached' });
  await page.waitForSelector('[role=treeitem]');
  for (;;) {
    const frame = page.frames().find((one) => one !== page.mainFrame());
    const there = await frame?.evaluate(untilFrame(cards)).then(
      () => true,
      () => false,
    );
    if (there) return performance.now() - begun;
    await page.waitForTimeout(10);
  }
}

/** Types a value, and says after how many ms the frame has laid out and painted it, and after how many all is saved. */
async function edit(page: BrowserPage, value: string): Promise<[number, number]> {
  const frame = page.frames().find((one) => one !== page.mainFrame())!;
  const box = page.getByRole('textbox', { name: 'Any declaration' });
  await box.fill(`row-gap: ${value}`);
  const seen = frame.evaluate<number>(
    `new Promise((done) => { const rows = [...document.querySelectorAll('[data-mp-node^="erow"]')]; (function look() { rows.some((row) => getComputedStyle(row).rowGap === '${value}') ? painted() : setTimeout(look, 2); })(); function painted() { requestAnimationFrame(() => { const after = new MessageChannel(); after.port1.onmessage = () => done(Date.now()); after.port2.postMessage(0); }); } })`,
  );
  await page.evaluate(
    `(() => { let dirty = false; window.saved = new Promise((done) => { const at = document.querySelector('[data-testid=saving]'); (function look() { if (at.textContent !== 'All saved') dirty = true; else if (dirty) return done(Date.now()); setTimeout(look, 2); })(); }); document.addEventListener('keydown', () => (window.pressed = Date.now()), { capture: true, once: true }); })()`,
  );
  await box.press('Enter');
  const [at, saved, pressed] = [
    await seen,
    await page.evaluate<number>('window.saved'),
    await page.evaluate<number>('window.pressed'),
  ];
  return [at - pressed, saved - pressed];
}

/** One large page: how long it takes to open, to see an edit, to save it, and to be audited to its end, ms. */
export async function largePage(address: string, elements: number, auditMost: number) {
  const { id, cards } = await largeProject(address, elements);
  const browser = await launchChromium();
  try {
    const localStorage = [{ name: 'mill-pond-measuring', value: 'asked' }];
    const page = await browser.newPage({
      viewport: { width: 1280, height: 800 },
      storageState: { cookies: [], origins: [{ origin: address, localStorage }] },
    });
    const openings: number[] = [];
    for (let i = 0; i < OPENINGS; i++) openings.push(await open(page, `${address}/projects/${id}`, cards));
    await page
      .getByRole('treeitem', { name: /^Cards/ })
      .first()
      .click();
    const edits: [number, number][] = [];
    for (let i = 0; i < EDITS; i++) {
      edits.push(await edit(page, `${20 + i}px`));
      await page.waitForTimeout(300);
    }
    const [seen, saved] = [edits.map(([one]) => one), edits.map(([, one]) => one)];
    await page.close();
    return {
      elements,
      opened: quantile(openings, 0.5),
      seen: { p50: quantile(seen, 0.5), p95: quantile(seen, 0.95) },
      saved: { p50: quantile(saved, 0.5), p95: quantile(saved, 0.95) },
      audit: auditMost > 0 ? await audited(address, id, auditMost) : 'not asked for',
    };
  } finally {
    await browser.close();
  }
}

async function audited(address: string, id: string, mostMinutes: number): Promise<string> {
  const { revision } = JSON.parse((await call(`${address}/api/projects/${id}`)).text) as { revision: number };
  await call(`${address}/api/projects/${id}/audits`, { revision });
  const begun = performance.now();
  for (;;) {
    const { runs } = await newestAudits(address, id);
    const page = runs?.[0]?.pages[0];
    const minutes = Math.round((performance.now() - begun) / 6_000) / 10;
    await new Promise((done) => setTimeout(done, 1_000));
    if (!page && minutes > mostMinutes) return 'no answer';
    if (!page) continue;
    if (page.state === 'done' || page.state === 'failed')
      return `${page.state} after ${minutes} min: ${page.decided} viewports${page.problem ? `; ${page.problem}` : ''}`;
    if (minutes > mostMinutes) {
      // It would slow down whatever is measured next.
      await fetch(`${address}/api/projects/${id}/audits/${runs![0]!.id}`, { method: 'DELETE' });
      return `not done after ${minutes} min: ${page.decided} viewports`;
    }
  }
}

interface Audits {
  // None in an answer that says why there is none, just now.
  readonly runs?: readonly { id: string; pages: readonly { state: string; decided: number; problem: string | null }[] }[];
}

/** The script goes on where an answer gets lost, as a window would. */
async function newestAudits(address: string, id: string): Promise<Audits> {
  try {
    return JSON.parse((await call(`${address}/api/projects/${id}/audits`)).text) as Audits;
  } catch {
    return {};
  }
}
