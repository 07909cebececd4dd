import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { root } from './places.mjs';

/** Each run by one worker as one file; those that take longest first, and none much longer than the others. */
const GROUPS = [
  ['tests/audit'],
  ['tests/cascade'],
  ['src/core/audit', 'src/core/plans', 'src/core/arrangements'],
  ['src/core'],
  ['tests/edits', 'tests/document'],
  ['tests/probe', 'tests/shaping'],
  ['src'],
];

/** What changes more than its own modules is run by itself. */
const ALONE = /\bjest\.(mock|doMock|resetModules|isolateModules|useFakeTimers|spyOn|setTimeout)\b|process\.env\.\w+ = /;

const testsIn = (folder) =>
  readdirSync(join(root, folder), { recursive: true })
    .map((path) => join(folder, path))
    .filter((path) => /\.test\.tsx?$/.test(path))
    .sort();

/**
 * Writes files that take in the tests of many others: each file of its own loads all that it tests anew, which takes longer than most
 * tests. A test that fails names its file, which can be run by itself as ever.
 * @param quick only tests that stand beside what they test: none of these needs a browser or a database
 * @returns the tests that are left, by path
 */
export function writeGroups({ quick }) {
  const folder = join(root, 'generated/unit');
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  const taken = new Set();
  const alone = [];
  for (const [i, folders] of GROUPS.entries()) {
    if (quick && !folders.every((one) => one.startsWith('src'))) continue;
    const mine = folders.flatMap(testsIn).filter((path) => !taken.has(path));
    for (const path of mine) taken.add(path);
    const isAlone = (path) => ALONE.test(readFileSync(join(root, path), 'utf8'));
    alone.push(...mine.filter(isAlone));
    const lines = mine
      .filter((path) => !isAlone(path))
      .map((path) => {
        const module = relative(folder, join(root, path)).replace(/\.tsx?$/, '');
        return `describe(${JSON.stringify(path)}, () => {\n  require(${JSON.stringify(module)});\n});\n`;
      });
    writeFileSync(join(folder, `${i}.test.ts`), lines.join(''));
  }
  return alone;
}
