import fc from 'fast-check';
import type { Browser } from 'playwright-core';
import { candidatesOf } from '@/core/document/html/attributes';
import { launchChromium } from '@/server/browser/chromium';

/* The candidates that are read of a `srcset`, against those that Chromium chooses from on the coarsest and on the finest of screens. */

/** Densities by what is written; what isn't here makes no candidate. */
const DENSITIES: Readonly<Record<string, number>> = {
  '': 1,
  '2x': 2,
  '0.5x': 0.5,
  '3x': 3,
  '3.5x': 3.5,
  '1e1x': 10,
  '.25x': 0.25,
};
const COARSE = 0.1;
const FINE = 20;

const one = fc.constantFrom;
const descriptor = one(...Object.keys(DENSITIES), 'foo', '2x 3x', '-1x', 'x', '(a, b)', 'foo(a, b) c');
const address = one('a.png', 'b.png', 'c,d.png', 'e.png,', ',f.png', 'g(1,2).png', 'blob:x;y,z', './h', '?i,j', 'k.png,,');
const space = one(' ', '  ', '\n', '\t');
const candidate = fc
  .tuple(address, space, descriptor, one('', ' ', '\n'))
  .map(([where, gap, what, after]) => (what === '' ? where + after : `${where}${gap}${what}${after}`));
const written = fc
  .tuple(one('', ' ', ', '), fc.array(candidate, { minLength: 1, maxLength: 4 }), one(',', ', ', ' , ', ',,', ' '))
  .map(([before, list, between]) => before + list.join(between));

let browser: Browser;
beforeAll(async () => {
  browser = await launchChromium();
}, 60_000);
afterAll(() => browser.close());

/** What a browser with such a screen shows of each, as an address; empty for nothing. */
async function shownAt(deviceScaleFactor: number, all: readonly string[]): Promise<string[]> {
  const page = await browser.newPage({ deviceScaleFactor });
  await page.route('**/*', (route) =>
    route.request().isNavigationRequest() ? route.fulfill({ body: '<!doctype html>', contentType: 'text/html' }) : route.abort(),
  );
  await page.goto('http://page.test/docs/');
  const shown = await page.evaluate(async (list) => {
    const images = list.map((srcset) => Object.assign(document.createElement('img'), { srcset }));
    // What has no candidate never says so: it is waited until the last one is chosen, and then no more.
    const end = Object.assign(document.createElement('img'), { srcset: 'end.png' });
    const count = () => images.filter(({ currentSrc }) => currentSrc !== '').length;
    for (let before = -1; end.currentSrc === '' || before !== count();) {
      before = count();
      await new Promise((done) => setTimeout(done, 300));
    }
    return images.map((image) => image.currentSrc);
  }, all);
  await page.close();
  return shown;
}

/** The candidate with the least, or the most, dots; the first of several. */
function chosen(srcset: string, isFine: boolean): string {
  const all = candidatesOf(srcset).flatMap(({ address: where, descriptor: what }) => {
    const density = DENSITIES[what];
    return density === undefined ? [] : [{ where, density: isFine ? -density : density }];
  });
  const [first] = all.sort((a, b) => a.density - b.density);
  return first ? new URL(first.where, 'http://page.test/docs/').href : '';
}

test('the candidates of a srcset are those that a browser chooses from', async () => {
  const all = fc.sample(written, 500).sort((a, b) => a.length - b.length);
  // A file that is in the address itself would be taken whatever its density, so there is none.
  const [coarse, fine] = [await shownAt(COARSE, all), await shownAt(FINE, all)];
  const ours = all.map((srcset) => [srcset, chosen(srcset, false), chosen(srcset, true)]);
  expect(ours.filter(([, ...found], i) => found[0] !== coarse[i] || found[1] !== fine[i])).toEqual([]);
  expect(coarse.filter((one) => one === '').length).toBeLessThan(all.length / 4);
});
