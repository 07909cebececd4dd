import { isUtf8 } from 'node:buffer';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { resolve } from 'node:path';
import type { Page as BrowserPage } from 'playwright-core';
import { bringIn, bringInEdit, handedBack } from '@/core/bring-in';
import type { BroughtIn, PackageFile } from '@/core/bring-in';
import type { Project } from '@/core/document';
import { folderOf, newProject, pathOf } from '@/core/document';
import { makeEdit } from '@/core/edits';
import { keepFile, previewDocument, renderPreview } from '@/core/render';
import { launchChromium } from '@/server/browser/chromium';
import { compareWithBrowser, openComparison } from '../tests/cascade/compare';
import { changedByHand } from './changed-by-hand';
import { takenOver } from './taken-over';

/*
 * Pages as they are, opened in Chromium, beside the same pages brought in, as a preview shows them: the boxes of all elements and
 * of all lines at twenty widths. Files are named on the command line; what they ask for is taken from the disk around them.
 */

const WIDTHS = [320, 360, 390, 412, 480, 540, 600, 640, 700, 768, 834, 900, 960, 1024, 1100, 1200, 1280, 1440, 1600, 1920];
const PROJECT = '00000000-0000-4000-8000-000000000000';
const REFERENCE = 'http://reference.invalid';
const PREVIEW = 'http://preview.invalid';

const hash = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');
const isFile = (path: string) => existsSync(path) && statSync(path).isFile();

/** A file with everything that it asks for, however indirectly. Paths in the package are those on the disk. */
function packageOf(file: string): PackageFile[] {
  const files = new Map<string, PackageFile>();
  const take = (path: string) => files.set(path, { path, bytes: readFileSync(`/${path}`) });
  take(file.slice(1));
  for (let before = 0; before < files.size;) {
    before = files.size;
    const { leftOut, pages } = read([...files.values()]);
    const page = pages.find(({ brought }) => brought!.file === file.slice(1));
    for (const { reason, file: asker, what } of leftOut) {
      if (reason !== 'missing') continue;
      const base = asker === file.slice(1) ? (page?.brought?.base ?? folderOf(asker)) : folderOf(asker);
      const path = pathOf(base, what);
      if (path && isFile(`/${path}`)) take(path);
    }
  }
  return [...files.values()];
}

const read = (files: readonly PackageFile[]): BroughtIn =>
  bringIn(files, { project: newProject(PROJECT, 'Brought in'), hash, key: 'a' });

/** The boxes of all elements, and of the lines of their own texts, at the viewport as it is. */
const BOXES = () => {
  const rounded = (rect: DOMRect) =>
    [rect.x, rect.y, rect.width, rect.height].map((one) => Math.round(one * 100) / 100).join(' ');
  const range = document.createRange();
  return [document.documentElement, document.body, ...document.body.querySelectorAll('*')].map((element) => {
    const lines: string[] = [];
    for (const child of element.childNodes) {
      if (child.nodeType !== Node.TEXT_NODE) continue;
      range.selectNodeContents(child);
      for (const rect of range.getClientRects()) if (rect.width > 0) lines.push(rounded(rect));
    }
    return [element.localName, rounded(element.getBoundingClientRect()), ...lines].join(' | ');
  });
};

const settled = async (page: BrowserPage) => {
  await page.evaluate(async () => {
    const sheet = new CSSStyleSheet();
    sheet.replaceSync('*, ::before, ::after { transition: none !important; animation: none !important; }');
    document.adoptedStyleSheets = [sheet];
    // Long texts come in pieces, and comments stand between others; what is read here is one text.
    const comments = document.createNodeIterator(document.body, NodeFilter.SHOW_COMMENT);
    for (let one = comments.nextNode(); one; one = comments.nextNode()) (one as Comment).remove();
    document.body.normalize();
    await document.fonts.ready;
    await Promise.all(
      [...document.images].filter(({ loading }) => loading !== 'lazy').map((image) => image.decode().catch(() => undefined)),
    );
  });
};

async function boxesAt(page: BrowserPage): Promise<Map<number, string[]>> {
  const found = new Map<number, string[]>();
  await settled(page);
  for (const width of WIDTHS) {
    await page.setViewportSize({ width, height: 800 });
    found.set(width, await page.evaluate(BOXES));
  }
  return found;
}

const TYPES: Readonly<Record<string, string>> = {
  html: 'text/html',
  htm: 'text/html',
  css: 'text/css',
  svg: 'image/svg+xml',
  xhtml: 'text/html',
};

const browser = await launchChromium();
const context = await browser.newContext();
// The build names functions by a helper that pages don't have.
await context.addInitScript('globalThis.__name = (one) => one');
let shown = '';
/** Files that stand in the place of those on the disk. */
let handed = new Map<string, Uint8Array>();
await context.route('**', async (route) => {
  const url = new URL(route.request().url());
  if (url.origin === REFERENCE) {
    const path = decodeURIComponent(url.pathname);
    const instead = handed.get(path.slice(1));
    if (!instead && !isFile(path)) return route.fulfill({ status: 404, body: '' });
    // Nothing says the encoding of a file on the disk; where it declares none, Chromium finds UTF-8 by itself there.
    const bytes = instead ? Buffer.from(instead) : readFileSync(path);
    const charset =
      /charset|encoding=/i.test(bytes.subarray(0, 1024).toString('latin1')) || !isUtf8(bytes) ? '' : '; charset=utf-8';
    const type = TYPES[/\.(\w+)$/.exec(path)?.[1] ?? ''];
    return route.fulfill({
      body: bytes,
      headers: {
        'content-security-policy': "script-src 'none'; frame-src 'none'; object-src 'none'",
        ...(type && { 'content-type': type + (type === 'text/html' ? charset : '') }),
      },
    });
  }
  if (url.origin === PREVIEW) {
    if (url.pathname === '/') return route.fulfill({ body: shown, contentType: 'text/html; charset=utf-8' });
  }
  return route.abort();
});

/** The values that the core says of the elements of a page, beside those of Chromium. */
const cascade = {
  asked: 0,
  said: 0,
  silent: new Map<string, number>(),
  tally: new Map<string, { count: number; what: string }>(),
};
async function compareCascade(project: Project): Promise<void> {
  const page = await browser.newPage();
  await openComparison(page);
  const { ofElements, mismatches, silent } = await compareWithBrowser(
    page,
    project,
    WIDTHS.filter((_, i) => i % 2 === 0),
  );
  await page.close();
  cascade.asked += ofElements.asked;
  cascade.said += ofElements.said;
  for (const [property, count] of silent) cascade.silent.set(property, (cascade.silent.get(property) ?? 0) + count);
  for (const { element, property, core, browser } of mismatches) {
    const what = `${element.replace(/ e\w+/, '')} ${property}: core ${core}, browser ${browser}`.slice(0, 200);
    cascade.tally.set(what, { what, count: (cascade.tally.get(what)?.count ?? 0) + 1 });
  }
}

const verbose = process.argv.includes('--verbose');
const totals = { pages: 0, whole: 0, elements: 0, same: 0, different: 0 };

/** The file as it is beside a preview, at all widths. */
async function compared(file: string, preview: string) {
  shown = preview;
  const [before, after] = [await context.newPage(), await context.newPage()];
  await before.goto(`${REFERENCE}${encodeURI(file)}`);
  await after.goto(`${PREVIEW}/`);
  const [was, is] = [await boxesAt(before), await boxesAt(after)];
  const differing = new Set<number>();
  const words: string[] = [];
  const count = was.get(WIDTHS[0]!)!.length;
  for (const width of WIDTHS) {
    const [a, b] = [was.get(width)!, is.get(width)!];
    if (a.length !== b.length && words.length < 4) words.push(`  ${a.length} elements were ${b.length}`);
    for (let i = 0; i < Math.max(a.length, b.length); i++) {
      if (a[i] === b[i]) continue;
      if (differing.size < 4 && !differing.has(i))
        words.push(`  at ${width}, element ${i}:\n    ${a[i]?.slice(0, 160)}\n    ${b[i]?.slice(0, 160)}`);
      differing.add(i);
    }
  }
  await before.close();
  await after.close();
  return { count, same: Math.max(0, count - differing.size), words };
}

for (const name of process.argv.slice(2).filter((one) => !one.startsWith('--'))) {
  const file = resolve(name);
  const path = file.slice(1);
  const begun = performance.now();
  const all = packageOf(file);
  const given = read(all);
  const page = given.pages.find(({ brought }) => brought!.file === path);
  if (!page) {
    console.log(`${name}: ${given.refused[0]?.why ?? 'not a page'}`);
    continue;
  }
  const only = { ...given, pages: [page] };
  const { document } = makeEdit(newProject(PROJECT, 'Brought in'), bringInEdit(only));
  const taken = performance.now() - begun;
  for (const [one, { type, bytes }] of given.bytes) keepFile(one, `data:${type};base64,${Buffer.from(bytes).toString('base64')}`);
  shown = previewDocument(
    renderPreview(
      document,
      document.pages.find(({ id }) => id === page.id)!,
      () => 'data:,',
    ),
    '',
  );
  const found = await compared(file, shown);
  const changed = process.argv.includes('--hand-back') ? changedByHand(document, page.id) : undefined;
  let back = '';
  if (changed) {
    const kept = given.bytes;
    handed = new Map(handedBack(changed.project, (one) => kept.get(one)?.bytes).map((one) => [one.path, one.bytes]));
    shown = previewDocument(
      renderPreview(
        changed.project,
        changed.project.pages.find(({ id }) => id === page.id)!,
        () => 'data:,',
      ),
      '',
    );
    const again = await compared(file, shown);
    back = `; with ${changed.taken} changes handed back: ${again.same} of ${again.count} the same`;
    if (again.same < again.count) {
      found.words.push(...again.words);
      totals.different++;
    }
    handed = new Map();
  }
  if (process.argv.includes('--take-over')) {
    const taken = takenOver(document, page.id);
    shown = previewDocument(
      renderPreview(
        taken.project,
        taken.project.pages.find(({ id }) => id === page.id)!,
        () => 'data:,',
      ),
      '',
    );
    const again = await compared(file, shown);
    back += `; ${taken.words}: ${again.same} of ${again.count} the same`;
    if (again.same < again.count) {
      found.words.push(...again.words);
      totals.different++;
    }
  }
  if (process.argv.includes('--cascade'))
    await compareCascade({ ...document, pages: [document.pages.find(({ id }) => id === page.id)!] });
  totals.pages++;
  totals.elements += found.count;
  totals.same += found.same;
  if (found.same === found.count) totals.whole++;
  console.log(
    `${name}: ${found.same} of ${found.count} elements the same at all widths, ${given.leftOut.length} left out, read in ${Math.round(taken)} ms${back}`,
  );
  for (const one of found.words) console.log(one);
  if (verbose)
    for (const { reason, what, line } of given.leftOut) console.log(`  left out (${reason}) line ${line ?? '?'}: ${what}`);
}
await browser.close();
console.log(`${totals.pages} pages, ${totals.whole} of them the same; ${totals.same} of ${totals.elements} elements`);
if (process.argv.includes('--hand-back') || process.argv.includes('--take-over'))
  console.log(`${totals.different} differ when they are handed back, or taken over`);
if (process.argv.includes('--cascade')) {
  const wrong = [...cascade.tally.values()].sort((a, b) => b.count - a.count);
  for (const { count, what } of wrong.slice(0, 60)) console.log(`${count}x ${what}`);
  const unsaid = [...cascade.silent].sort(([, a], [, b]) => b - a).slice(0, 20);
  console.log(`Said least: ${unsaid.map(([property, count]) => `${property} ${count}`).join(', ')}`);
  const share = ((100 * cascade.said) / cascade.asked).toFixed(2);
  console.log(
    `${cascade.said} of ${cascade.asked} values of elements are said (${share}%), ${wrong.reduce((sum, { count }) => sum + count, 0)} values wrong, of boxes too`,
  );
}
process.exitCode = totals.whole === totals.pages && totals.pages > 0 && totals.different === 0 ? 0 : 1;
