import fc from 'fast-check';
import { launchChromium } from '@/server/browser/chromium';
import { arbitraryHolding, arbitraryProject, interestingWidths } from '../tests/cascade/arbitrary-project';
import { compareWithBrowser, openComparison } from '../tests/cascade/compare';
import type { Mismatch } from '../tests/cascade/compare';

const argument = (name: string, fallback: number) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? fallback : Number(process.argv[at + 1]);
};
const documents = argument('documents', 1000);
const seed = argument('seed', 1);

const browser = await launchChromium();
const page = await browser.newPage();
await openComparison(page);
const tally = new Map<string, Mismatch & { count: number }>();
let compared = 0;
const widths = fc.array(fc.integer({ min: 200, max: 2560 }), { minLength: 10, maxLength: 10 });
for (const [project, random, hold] of fc.sample(fc.tuple(arbitraryProject, widths, arbitraryHolding), {
  numRuns: documents,
  seed,
})) {
  const looked = interestingWidths(project, random);
  const atRest = await compareWithBrowser(page, project, looked);
  const held = await compareWithBrowser(page, project, looked.slice(0, 4), undefined, hold(project.pages[0]!));
  compared += atRest.compared + held.compared;
  for (const mismatch of [...atRest.mismatches, ...held.mismatches]) {
    const key = `${mismatch.element.replace(/ e\d+/, '').replace(/of e\d+ /, '')} ${mismatch.property}: core ${mismatch.core}, browser ${mismatch.browser}`;
    const known = tally.get(key);
    tally.set(key, { ...mismatch, count: (known?.count ?? 0) + 1 });
  }
}
await browser.close();
const rows = [...tally].sort(([, a], [, b]) => b.count - a.count);
for (const [key, { count }] of rows.slice(0, 60)) console.log(`${count}x ${key}`);
console.log(
  `${documents} documents, ${compared} values compared, ${rows.reduce((sum, [, row]) => sum + row.count, 0)} mismatches`,
);
process.exit(rows.length > 0 ? 1 : 0);
