import fc from 'fast-check';
import type { Browser, Page } from 'playwright-core';
import { launchChromium } from '@/server/browser/chromium';
import { arbitraryProject, interestingWidths } from './arbitrary-project';
import { compareWithBrowser, openComparison } from './compare';

const DOCUMENTS = 300;

let browser: Browser;
let page: Page;

beforeAll(async () => {
  browser = await launchChromium();
  page = await browser.newPage();
  await openComparison(page);
}, 60_000);
afterAll(() => browser.close());

test(`the resolver says what Chromium computes: ${DOCUMENTS} random documents at 10 widths`, async () => {
  const widths = fc.array(fc.integer({ min: 200, max: 2560 }), { minLength: 10, maxLength: 10 });
  let compared = 0;
  await fc.assert(
    fc.asyncProperty(arbitraryProject, widths, async (project, random) => {
      const result = await compareWithBrowser(page, project, interestingWidths(project, random));
      compared += result.compared;
      expect(result.mismatches).toEqual([]);
    }),
    { numRuns: DOCUMENTS },
  );
  // Were nothing claimed, nothing could be wrong.
  expect(compared).toBeGreaterThan(DOCUMENTS * 10 * 80);
}, 300_000);
