import { bringIn, bringInEdit } from '@/core/bring-in';
import { hashForTests } from '@/core/bring-in/hash-for-tests';
import { newProject } from '@/core/document';
import { makeEdit } from '@/core/edits';
import { MeasuredPage } from '@/server/browser/measuring';
import { closeBrowser } from '@/server/browser/warm-browser';

// Pages that somebody else wrote, for readers with larger text: their own sheets follow as in the reader's browser.

afterAll(closeBrowser);

const PLAIN = `<!doctype html><style>html { font-size: 62.5% } body { margin: 0 } p { margin: 0; font-size: 2rem; white-space: nowrap; width: 20em }</style>
<p>As wide as twenty letters</p>`;
const ASKING = PLAIN.replace('</style>', '@media (max-width: 30em) { p { width: auto; white-space: normal } }</style>');

/** Those of some widths at which the page is wider than its window. */
async function tooWide(html: string, text?: number): Promise<number[]> {
  const start = { ...newProject('00000000-0000-4000-8000-000000000000', 'Brought'), pages: [] };
  const read = bringIn([{ path: 'index.html', bytes: Buffer.from(html) }], { project: start, hash: hashForTests, key: 'k' });
  const { document } = makeEdit(start, bringInEdit(read));
  const page = await MeasuredPage.open(document, document.pages[0]!, { height: 800, pointer: 'mouse', ...(text && { text }) });
  const results = await page.measure([320, 480, 500, 980]);
  await page.close();
  return results
    .filter(({ violations }) => violations.some(({ check }) => check === 'sideways-scroll'))
    .map(({ width }) => width);
}

test('percentages on the root and em in media queries follow the reader, and the next page is measured as usual', async () => {
  expect(await tooWide(PLAIN)).toEqual([320]);
  // Twenty letters are 800 px then, and the 30em of the query 960.
  expect(await tooWide(PLAIN, 2)).toEqual([320, 480, 500]);
  expect(await tooWide(ASKING, 2)).toEqual([]);
  expect(await tooWide(PLAIN)).toEqual([320]);
});
