import { createHash } from 'node:crypto';
import { readFileSync, statSync } from 'node:fs';
import fc from 'fast-check';
import { zipSync } from 'fflate';
import { bringIn, bringInEdit, handedBack, NotHandedBack, readZip, UnreadablePackage } from '@/core/bring-in';
import type { PackageFile } from '@/core/bring-in';
import { rulesOn } from '@/core/cascade';
import { newProject } from '@/core/document';
import { makeEdit } from '@/core/edits';
import { arbitraryDamage } from './damage';

/*
 * Real files, damaged in all ways, through everything that reads what comes in: HTML, CSS and ZIPs. Files are named on the command line,
 * with --inputs N and --seed S. What crashes or takes over five seconds is told with the seed that makes it again.
 */

const option = (name: string, otherwise: number) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? otherwise : Number(process.argv[at + 1]);
};
const count = option('inputs', 2_000);
const seed = option('seed', 17);
const LARGEST = 200_000;
const HANG_MS = 5_000;

const names = process.argv.slice(2).filter((one, i, all) => !one.startsWith('--') && !all[i - 1]?.startsWith('--'));
const corpus = names
  .filter((name) => statSync(name).size <= LARGEST)
  .map((name) => ({ name, bytes: new Uint8Array(readFileSync(name)) }));
if (corpus.length === 0) throw new Error('Name some HTML and CSS files.');

const hash = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');
const empty = newProject('00000000-0000-4000-8000-000000000000', 'Fuzz');

/** All that becomes of a package, to its being handed back as it is. */
function readAll(files: readonly PackageFile[]): void {
  const read = bringIn(files, { project: empty, hash, key: 'f' });
  if (read.pages.length === 0) return;
  const { document } = makeEdit(empty, bringInEdit(read));
  for (const page of document.pages) rulesOn(document, page);
  const kept = new Map(files.map(({ bytes }) => [hash(bytes), bytes]));
  handedBack(document, (one) => kept.get(one));
}

const tally = { crashes: 0, hangs: 0, slowest: 0, pages: 0, zips: 0, sheets: 0 };
const inputs = fc.sample(fc.tuple(fc.nat(corpus.length - 1), fc.nat(corpus.length - 1), fc.nat(9), arbitraryDamage), {
  numRuns: count,
  seed,
});
for (const [i, [first, second, kind, damage]] of inputs.entries()) {
  const [a, b] = [corpus[first]!, corpus[second]!];
  const begun = performance.now();
  try {
    if (kind < 2) {
      tally.zips++;
      const whole = zipSync(
        { 'a/index.html': a.bytes, [`a/${b.name.endsWith('.css') ? 'b.css' : 'b.html'}`]: b.bytes },
        { level: kind === 0 ? 0 : 6 },
      );
      readAll(readZip(damage(whole, b.bytes)).files);
    } else if (a.name.endsWith('.css')) {
      tally.sheets++;
      const link = new TextEncoder().encode('<link rel=stylesheet href=a.css><p class=a id=b>x <b>y</b></p>');
      readAll([
        { path: 'a.css', bytes: damage(a.bytes, b.bytes) },
        { path: 'index.html', bytes: link },
      ]);
    } else {
      tally.pages++;
      readAll([{ path: 'index.html', bytes: damage(a.bytes, b.bytes) }]);
    }
  } catch (error) {
    if (!(error instanceof UnreadablePackage || error instanceof NotHandedBack)) {
      tally.crashes++;
      if (tally.crashes <= 20)
        console.log(
          `input ${i} of seed ${seed} (${a.name}): ${error instanceof Error ? error.stack?.slice(0, 600) : String(error)}`,
        );
    }
  }
  const taken = performance.now() - begun;
  tally.slowest = Math.max(tally.slowest, taken);
  if (taken > HANG_MS) {
    tally.hangs++;
    console.log(`input ${i} of seed ${seed} (${a.name}) took ${Math.round(taken)} ms`);
  }
  if (i % 1_000 === 999)
    console.log(`${i + 1} inputs: ${tally.crashes} crashes, ${tally.hangs} over 5 s, slowest ${Math.round(tally.slowest)} ms`);
}
console.log(
  `${count} inputs (${tally.pages} pages, ${tally.sheets} style sheets, ${tally.zips} ZIPs): ${tally.crashes} crashes, ${tally.hangs} over 5 s, slowest ${Math.round(tally.slowest)} ms`,
);
process.exitCode = tally.crashes + tally.hangs > 0 ? 1 : 0;
