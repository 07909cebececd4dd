import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { CHECKS, checkNamed, Ledger, usualLimits } from '@/core/audit';
import { MeasuredPage } from '@/server/browser/measuring';
import { closeBrowser } from '@/server/browser/warm-browser';

// Small pages that pass and pages that fail each check, most of them by one pixel, measured by Chromium.

const root = join(process.cwd(), 'tests/audit/pages');
/** What needs a project: the page's own column grid. */
const NO_PAGES = new Set(['tight-grid']);
const folders = readdirSync(root);

afterAll(closeBrowser);

async function finds(check: string, file: string): Promise<string[]> {
  const html = readFileSync(join(root, check, file), 'utf8');
  const [, width, height] = /at (\d+) by (\d+) px/.exec(html)!.map(Number);
  const { view = 'widths', limits } = checkNamed(check)!;
  const page = await MeasuredPage.openHtml(html, [{ id: check, limits: usualLimits({ limits }) }], height);
  const ledger = new Ledger();
  const turned = view === 'turned' ? { width: height!, height: width! } : undefined;
  const widths = check === 'growing-type' ? [width!, width! + 1] : [width!];
  ledger.record(await page.measure(widths, { view, turned }), view);
  await page.close();
  return ledger.findings().map((finding) => finding.check);
}

test('every check has at least four pages that pass and four that fail', () => {
  for (const { id } of CHECKS) {
    if (NO_PAGES.has(id)) continue;
    const files = readdirSync(join(root, id));
    for (const kind of ['pass', 'fail'])
      expect([id, kind, files.filter((file) => file.startsWith(kind)).length >= 4]).toEqual([id, kind, true]);
  }
});

test.each(folders)('%s', async (check) => {
  const said: Record<string, boolean> = {};
  const wanted: Record<string, boolean> = {};
  for (const file of readdirSync(join(root, check))) {
    said[file] = (await finds(check, file)).includes(check);
    wanted[file] = file.startsWith('fail');
  }
  expect(said).toEqual(wanted);
});
