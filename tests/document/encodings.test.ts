import fc from 'fast-check';
import type { Browser, Page } from 'playwright-core';
import { decodeCss, decodeHtml } from '@/core/bring-in/decode';
import { encodeHtml } from '@/core/bring-in/encode';
import { launchChromium } from '@/server/browser/chromium';

/* The encoding that a file is read in, against the one that Chromium reads it in. */

const LABELS = [
  ...['utf-8', 'UTF8', 'utf-16', 'utf-16be', 'latin1', 'iso-8859-1', 'windows-1251', 'koi8-r', 'macintosh', 'iso-8859-8-i'],
  ...['shift_jis', 'gbk', 'euc-kr', 'big5', 'x-user-defined', 'nonsense', 'utf-7', 'ascii'],
];
/** Without those that no browser knows: of a file that declares none, Chromium guesses by the language. */
const KNOWN = LABELS.filter((one) => !['nonsense', 'utf-7'].includes(one));
const known = fc.constantFrom(...KNOWN);
const label = fc.constantFrom(...LABELS);
const quoted = fc
  .tuple(label, fc.constantFrom('', '"', "'"), fc.constantFrom('=', ' = ', '=\n'))
  .map(([name, quote, is]) => `charset${is}${quote}${name}${quote}`);
const inContent = fc
  .tuple(label, fc.constantFrom('text/html; charset=', 'text/html;CHARSET = ', 'text/html charset=', 'charset=', 'text/html'))
  .map(([name, before]) => `${before}${name}`);
const meta = fc.oneof(
  quoted.map((said) => `<meta ${said}>`),
  quoted.map((said) => `<META name=a ${said.toUpperCase()} />`),
  quoted.map((said) => `<meta/${said}>`),
  quoted.map((said) => `<meta data-${said}>`),
  quoted.map((said) => `<metal ${said}>`),
  inContent.map((content) => `<meta http-equiv="Content-Type" content="${content}">`),
  inContent.map((content) => `<meta content='${content}' http-equiv=content-type>`),
  inContent.map((content) => `<meta name=description content="${content}">`),
  inContent.map((content) => `<meta http-equiv=refresh content="9; ${content}">`),
);
const piece = fc.oneof(
  { arbitrary: meta, weight: 4 },
  { arbitrary: meta.map((inside) => `<!-- ${inside} -->`), weight: 2 },
  meta.map((inside) => `<!-->${inside}`),
  meta.map((inside) => `<link title='${inside.replaceAll("'", '')}' href=a>`),
  fc.constantFrom('<!doctype html>', '<html lang=de>', '<head>', '<title>A > b</title>', '<style>a > b {}</style>', '\n  '),
);
/** Bytes beyond ASCII that every one of the encodings reads as something. */
const beyond = fc.array(fc.integer({ min: 0xa1, max: 0xfd }), { minLength: 2, maxLength: 8 });

let browser: Browser;
let page: Page;
beforeAll(async () => {
  browser = await launchChromium();
  page = await browser.newPage();
}, 60_000);
afterAll(() => browser.close());

/** Files at an address: what the first declares, and what else it asks for. */
async function serve(files: Readonly<Record<string, Uint8Array>>): Promise<void> {
  await page.unrouteAll();
  await page.route('http://page.test/*', (route) => {
    const path = new URL(route.request().url()).pathname.slice(1);
    return route.fulfill({ body: Buffer.from(files[path]!), contentType: path.endsWith('.css') ? 'text/css' : 'text/html' });
  });
  await page.goto('http://page.test/index.html');
}

const bytesOf = (...parts: readonly (string | readonly number[])[]) =>
  Buffer.concat(parts.map((part) => (typeof part === 'string' ? Buffer.from(part, 'latin1') : Buffer.from(part))));

/** How Chromium reads the text of the element, from what was decoded already. */
const textIn = (html: string) =>
  page.evaluate((it) => new DOMParser().parseFromString(it, 'text/html').querySelector('p')!.textContent, html);

test('what a document declares is what Chromium reads it in, and each byte is what it reads', async () => {
  const xml = label.map((name) => `<?xml version="1.0" encoding="${name}"?>`);
  await fc.assert(
    fc.asyncProperty(fc.option(xml), fc.array(piece, { maxLength: 5 }), known, beyond, async (first, pieces, last, high) => {
      const start = `${first ?? ''}${pieces.join('')}<meta charset=${last}>`;
      // What stands further back is read by nobody.
      fc.pre(start.length < 1_000);
      const bytes = bytesOf(start, '<body><p>', high, '</p>');
      await serve({ 'index.html': bytes });
      const { text, encoding } = decodeHtml(bytes);
      expect([encoding, await textIn(text)]).toEqual(
        await page.evaluate(() => [document.characterSet.toLowerCase(), document.querySelector('p')!.textContent]),
      );
    }),
    { numRuns: 12 },
  );
});

test('a sheet is read by its mark, by what it declares, or as the page that asks for it', async () => {
  const start = fc.oneof(
    label.map((name) => `@charset "${name}";`),
    label.map((name) => `@CHARSET "${name}";`),
    label.map((name) => ` @charset "${name}";`),
    label.map((name) => `@charset '${name}';`),
    fc.constantFrom('', '\xef\xbb\xbf', '\xef\xbb\xbf@charset "koi8-r";'),
  );
  await fc.assert(
    fc.asyncProperty(start, known, beyond, async (said, environment, high) => {
      // One that isn't finished would take in the quote that follows it.
      const sheet = bytesOf(`${said}\np::before { content: "`, high, 'aa" }');
      const html = bytesOf(`<!doctype html><meta charset=${environment}><link rel=stylesheet href=a.css><p>`);
      await serve({ 'index.html': html, 'a.css': sheet });
      const { text } = decodeCss(sheet, decodeHtml(html).encoding);
      const content = () => getComputedStyle(document.querySelector('p')!, '::before').content;
      const browsers = await page.evaluate(content);
      await page.setContent(`<!doctype html><p>`);
      await page.addStyleTag({ content: text });
      expect(await page.evaluate(content)).toBe(browsers);
    }),
    { numRuns: 12 },
  );
});

/** Every byte beyond ASCII by itself, and each as the first of two. */
const ALL = Array.from({ length: 128 }, (_, i) => 128 + i).flatMap((byte) => [
  byte,
  0x20,
  ...[0x40, 0x7e, 0xa1, 0xfe].flatMap((next) => [byte, next, 0x20]),
]);

test.each(KNOWN)(
  '%s: every byte, and two of them, are what Chromium reads, and single bytes are written as they were',
  async (name) => {
    const bytes = bytesOf(`<meta charset=${name}><body><p>`, ALL, '</p>');
    await serve({ 'index.html': bytes });
    const { text, encoding } = decodeHtml(bytes);
    expect(await textIn(text)).toBe(await page.evaluate(() => document.querySelector('p')!.textContent));
    // Where a byte stands for one character and nothing else does, it comes back.
    if (/^(utf|shift|gb|euc|big)/.test(encoding) || text.includes('\ufffd')) return;
    expect(Buffer.from(encodeHtml(text, encoding, false)).equals(bytes)).toBe(true);
  },
);
