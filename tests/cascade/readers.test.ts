import { chromium } from 'playwright-core';
import type { Browser, BrowserContextOptions, Page } from 'playwright-core';
import { make, MAIN, set, sheet, TEXT } from '@/core/edits/project-for-tests';
import type { StandIn } from '@/core/render';
import { previewDocument, renderPreview } from '@/core/render';
import { CHROMIUM_FLAGS, chromiumPath } from '@/server/browser/chromium';

// What a frame stands in for, against a browser that really is so: started with another text size, emulating another
// scheme, motion, density, or with a viewport of that height.
const css = `
  html { font-size: 110% }
  p { padding: 1rem; margin: 0 0 2em; width: 20em }
  @media (min-width: 40em) { p { width: 10rem } }
  @media (prefers-color-scheme: dark) { p { margin-left: 7px } }
  @media (prefers-reduced-motion: reduce) { p { margin-left: 5px } }
  @media (min-resolution: 2dppx) { p { margin-left: 3px } }
  @media (min-height: 40em) { p { min-height: 30vh } }
  @media (orientation: landscape) { h1 { font-size: x-large; margin-top: 10vmin } }`;
const plain = make(sheet(css), set(TEXT, 'base', 'font-size', 'small'), set(MAIN, 'base', 'min-height', '90vh'));
const bare = make(set(TEXT, 'base', 'font-size', 'larger'), set(MAIN, 'base', 'padding-top', '2rem'));

const BOXES = `JSON.stringify([...document.querySelectorAll('[data-mp-node]')].map((one) => { const { x, y, width, height } = one.getBoundingClientRect(); return [one.dataset.mpNode, x, y, width, height, getComputedStyle(one).fontSize]; }))`;
const open: Browser[] = [];
const launch = async (...more: string[]) => {
  const browser = await chromium.launch({
    executablePath: chromiumPath(),
    args: [...CHROMIUM_FLAGS, ...more],
    chromiumSandbox: false,
  });
  open.push(browser);
  return browser;
};
afterAll(() => Promise.all(open.map((browser) => browser.close())));

const pages = new Map<Browser, Map<string, Page>>();

async function pageOf(browser: Browser, { viewport, ...options }: BrowserContextOptions): Promise<Page> {
  const known = pages.get(browser) ?? new Map<string, Page>();
  pages.set(browser, known);
  const key = JSON.stringify(options);
  const page = known.get(key) ?? (await (await browser.newContext(options)).newPage());
  known.set(key, page);
  await page.setViewportSize(viewport!);
  return page;
}

async function boxes(browser: Browser, options: BrowserContextOptions, project: typeof plain, standIn?: StandIn) {
  const page = await pageOf(browser, options);
  await page.setContent(
    previewDocument(
      renderPreview(project, project.pages[0]!, () => 'data:,', standIn),
      '',
    ),
  );
  return JSON.parse(await page.evaluate<string>(BOXES)) as [string, ...number[]][];
}

const size = (width: number, height = 700) => ({ viewport: { width, height } });

test.each<[string, BrowserContextOptions, StandIn]>([
  ['dark', { colorScheme: 'dark' }, { pointer: 'mouse', scheme: 'dark' }],
  ['less motion', { reducedMotion: 'reduce' }, { pointer: 'mouse', motion: 'reduced' }],
  ['dense', { deviceScaleFactor: 3 }, { pointer: 'mouse', density: 3 }],
])('a frame that stands in for a reader lays out as in a browser that is so: %s', async (_, real, standIn) => {
  const browser = open[0] ?? (await launch());
  const wanted = await boxes(browser, { ...size(700), ...real }, plain);
  expect(await boxes(browser, size(700), plain, standIn)).toEqual(wanted);
  expect(await boxes(browser, size(700), plain)).not.toEqual(wanted);
});

test('larger text of the reader’s own: everything relative grows, and queries in em go along', async () => {
  const [usual, large] = [open[0] ?? (await launch()), await launch('--blink-settings=defaultFontSize=24')];
  for (const project of [plain, bare, { ...plain, rootSize: 112.5 }, { ...bare, rootSize: 62.5 }])
    for (const width of [500, 950]) {
      const wanted = await boxes(large, size(width), project);
      expect(await boxes(usual, size(width), project, { pointer: 'mouse', text: 1.5 })).toEqual(wanted);
      expect(await boxes(usual, size(width), project)).not.toEqual(wanted);
    }
});

test('a frame as high as the page lays out as the lower viewport that it stands in for', async () => {
  const browser = open[0] ?? (await launch());
  for (const [width, height] of [
    [700, 700],
    [700, 600],
    [900, 1200],
  ] as const)
    for (const project of [plain, bare])
      expect(await boxes(browser, size(width, 3000), project, { pointer: 'mouse', height })).toEqual(
        await boxes(browser, size(width, height), project),
      );
});
