import fc from 'fast-check';
import type { Browser, Page } from 'playwright-core';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import { resolve, specifiedValue } from '@/core/cascade';
import { PROPERTIES } from '@/core/styles';
import { launchChromium } from '@/server/browser/chromium';
import { arbitraryProject, interestingWidths } from './arbitrary-project';
import { compareWithBrowser, openComparison } from './compare';

const DOCUMENTS = 120;

let browser: Browser;
let pages: Page[];

beforeAll(async () => {
  browser = await launchChromium();
  pages = await Promise.all([browser.newPage(), browser.newPage()]);
  for (const page of pages) await openComparison(page);
}, 60_000);
afterAll(() => browser.close());

test(`the resolver says what Chromium computes: ${DOCUMENTS} random documents at 10 widths`, async () => {
  const widths = fc.array(fc.integer({ min: 200, max: 2560 }), { minLength: 10, maxLength: 10 });
  let compared = 0;
  // While Chromium works out one document, the core works out another.
  await Promise.all(
    pages.map((page) =>
      fc.assert(
        fc.asyncProperty(arbitraryProject, widths, async (project, random) => {
          const result = await compareWithBrowser(page, project, interestingWidths(project, random));
          compared += result.compared;
          expect(result.mismatches).toEqual([]);
        }),
        // A first counterexample is enough: making it smaller would take minutes of layout.
        { numRuns: DOCUMENTS / pages.length, endOnFailure: true },
      ),
    ),
  );
  // Were nothing claimed, nothing could be wrong.
  expect(compared).toBeGreaterThan(DOCUMENTS * 10 * 80);
}, 300_000);

test('the value alone is the one that the whole story ends with', () => {
  fc.assert(
    fc.property(arbitraryProject, fc.integer({ min: 200, max: 1600 }), (project, width) => {
      const page = project.pages[0]!;
      const viewport = { width, ...DEFAULT_SLICE };
      for (const id of Object.keys(page.elements))
        for (const name of [...PROPERTIES.map((property) => property.name), '--a', '--b'])
          expect(specifiedValue(project, page, id, name, viewport)).toBe(
            resolve(project, page, id, name, width, viewport).value,
          );
    }),
    { numRuns: 60 },
  );
});
