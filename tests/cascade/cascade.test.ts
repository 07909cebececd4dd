import fc from 'fast-check';
import type { Browser, Page } from 'playwright-core';
import { DEFAULT_SLICE, MOTIONS, POINTERS, SCHEMES } from '@/core/breakpoints';
import { resolve, specifiedValue } from '@/core/cascade';
import { PROPERTIES } from '@/core/styles';
import { launchChromium } from '@/server/browser/chromium';
import { arbitraryHolding, arbitraryProject, interestingWidths } from './arbitrary-project';
import { compareWithBrowser, openComparison } from './compare';

const DOCUMENTS = 4;
const STOOD_IN = 5;

let browser: Browser;
let pages: Page[];

beforeAll(async () => {
  browser = await launchChromium();
  pages = await Promise.all([browser.newPage(), browser.newPage()]);
  for (const page of pages) await openComparison(page);
}, 60_000);
afterAll(() => browser.close());

test(`the resolver says what Chromium computes: ${DOCUMENTS} random documents at 10 widths, and with one element in a state`, async () => {
  const widths = fc.array(fc.integer({ min: 200, max: 2560 }), { minLength: 10, maxLength: 10 });
  let compared = 0;
  // While Chromium works out one document, the core works out another.
  await Promise.all(
    pages.map((page) =>
      fc.assert(
        fc.asyncProperty(arbitraryProject, widths, arbitraryHolding, async (project, random, hold) => {
          const looked = interestingWidths(project, random);
          const atRest = await compareWithBrowser(page, project, looked);
          const held = await compareWithBrowser(page, project, looked.slice(0, 2), undefined, hold(project.pages[0]!));
          compared += atRest.compared;
          expect([...atRest.mismatches, ...held.mismatches]).toEqual([]);
        }),
        // A first counterexample is enough: making it smaller would take minutes of layout.
        { numRuns: DOCUMENTS / pages.length, endOnFailure: true },
      ),
    ),
  );
  // Were nothing claimed, nothing could be wrong.
  expect(compared).toBeGreaterThan(DOCUMENTS * 10 * 80);
}, 300_000);

test(`a frame that stands in for another reader computes what that reader would see: ${STOOD_IN} random documents`, async () => {
  const standIn = fc.record({
    pointer: fc.constantFrom(...POINTERS),
    scheme: fc.constantFrom(...SCHEMES),
    motion: fc.constantFrom(...MOTIONS),
    density: fc.constantFrom(1, 2, 3),
    text: fc.constantFrom(1, 1.3, 2),
    height: fc.option(fc.integer({ min: 300, max: 1000 }), { nil: undefined }),
  });
  const widths = fc.array(fc.integer({ min: 200, max: 2560 }), { minLength: 3, maxLength: 3 });
  let compared = 0;
  await fc.assert(
    fc.asyncProperty(arbitraryProject, widths, standIn, async (project, random, reader) => {
      // Edges in em and px under the same query can't follow a text size together in the core (decision 13).
      const mixed = project.sheets.some(({ css }) => /em\) and \(max-width: 899.98px/.test(css));
      const standIn = mixed ? { ...reader, text: 1 } : reader;
      const result = await compareWithBrowser(pages[0]!, project, interestingWidths(project, random), standIn);
      compared += result.compared;
      expect(result.mismatches).toEqual([]);
    }),
    { numRuns: STOOD_IN, endOnFailure: true },
  );
  expect(compared).toBeGreaterThan(STOOD_IN * 3 * 80);
}, 300_000);

test('the value alone is the one that the whole story ends with', () => {
  fc.assert(
    fc.property(arbitraryProject, fc.integer({ min: 200, max: 1600 }), (project, width) => {
      const page = project.pages[0]!;
      const viewport = { width, ...DEFAULT_SLICE };
      for (const id of Object.keys(page.elements))
        for (const name of [...PROPERTIES.map((property) => property.name), '--a', '--b']) {
          const [alone, story] = [
            specifiedValue(project, page, id, name, viewport),
            resolve(project, page, id, name, width, viewport).value,
          ];
          // Asking `expect` of each would take most of the time.
          if (alone !== story) expect([id, name, alone]).toEqual([id, name, story]);
        }
    }),
    { numRuns: 12 },
  );
});
