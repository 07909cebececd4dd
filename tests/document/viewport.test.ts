import fc from 'fast-check';
import type { Browser, CDPSession, Page } from 'playwright-core';
import { readViewport } from '@/core/read/viewport';
import { launchChromium } from '@/server/browser/chromium';

/* What is said of viewport meta elements, against a browser that lays out and enlarges pages as phones do. */

const WIDE = 400;

const NUMBERS = ['0', '1', '0.5', '1.9', '-1', '-0.5', '+1.0x', '.1e1'];
const WORDS = ['yes', 'no', '', 'foo', 'device-width', 'device-height'];
const SCALES = [...NUMBERS, ...WORDS, '2', '3x', '1e3'];
const INITIAL = [...NUMBERS, 'yes', 'no', '', 'foo'];
const WIDTHS = ['320', '-1', '500px', ...WORDS];
const sign = fc.constantFrom('=', '=', '=', ' = ', '==', ' ');
const said = (names: readonly string[], values: readonly string[]) =>
  fc.tuple(fc.constantFrom(...names), sign, fc.constantFrom(...values)).map((all) => all.join(''));
const width = fc.constantFrom('width=device-width', 'WIDTH = Device-Width', 'width=500', 'width', 'initial-scale=1');
const property = fc.oneof(
  { arbitrary: width, weight: 2 },
  { arbitrary: said(['maximum-scale', 'user-scalable', 'Maximum-Scale', 'a b'], SCALES), weight: 3 },
  said(['initial-scale'], INITIAL),
  said(['width'], WIDTHS),
);
const content = fc
  .tuple(fc.array(property, { minLength: 1, maxLength: 4 }), fc.constantFrom(',', ', ', ' ', ' ,, '))
  .map(([list, between]) => list.join(between));

/** Every value of every property, before chance mixes them. */
const EACH = [
  ...SCALES.flatMap((value) => [`width=device-width, maximum-scale=${value}`, `width=device-width, user-scalable=${value}`]),
  ...INITIAL.map((value) => `initial-scale=${value}`),
  ...WIDTHS.map((value) => `width=${value}, initial-scale=1`),
];

let browser: Browser;
let page: Page;
let devtools: CDPSession;
beforeAll(async () => {
  browser = await launchChromium();
  page = await browser.newPage({ viewport: { width: WIDE, height: 700 }, isMobile: true, hasTouch: true, deviceScaleFactor: 1 });
  devtools = await page.context().newCDPSession(page);
}, 60_000);
afterAll(() => browser.close());

/** Asked when what was last said to the page has been drawn. */
const drawn = <T>(ask: string): Promise<T> =>
  page.evaluate(`new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => done(${ask}))))`);

test('it is laid out as wide, and enlarged as far, as is said', async () => {
  await fc.assert(
    fc.asyncProperty(content, async (text) => {
      await page.goto('about:blank');
      await page.setContent(`<!doctype html><meta name=viewport content="${text}"><body style="height: 2000px">`);
      const wide = await drawn<number>('document.documentElement.clientWidth');
      await devtools.send('Emulation.setPageScaleFactor', { pageScaleFactor: 9 });
      const scale = await drawn<number>('visualViewport.scale');
      const { most, isDeviceWide } = readViewport(text);
      expect([text, isDeviceWide, most >= 2]).toEqual([text, wide === WIDE, scale >= 2]);
    }),
    { examples: EACH.map((text) => [text]), numRuns: EACH.length + 20 },
  );
});
