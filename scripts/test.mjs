import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './setup/places.mjs';
import { requirePackages } from './setup/packages.mjs';
import { requirePrerequisites } from './setup/prerequisites.mjs';
import { main, run } from './setup/process.mjs';

// Set-up, lint, types, unit tests, browser tests; the last line counts them all.
const results = join(root, 'test-results');
const only = process.argv.slice(2);
/** Without what takes long: the comparisons with Chromium and PostgreSQL, and the browser tests. */
const quick = only.includes('quick');
const wanted = (step) => only.length === 0 || only.includes(step) || (quick && step !== 'browser');
let passed = 0;
let failed = 0;

function count(name, ok) {
  if (ok) passed++;
  else {
    failed++;
    console.log(`FAILED: ${name}`);
  }
}

/** Who works on something asks again and again, mostly of files that nobody has touched; all are looked at anew before anything is handed over. */
const remembering = (name) =>
  quick ? ['--cache', '--cache-strategy=content', `--cache-location=${join(root, 'node_modules/.cache/mill-pond', name)}`] : [];

const program = (path) => join(root, 'node_modules', path);

/** Steps that don't need each other, side by side. */
async function steps(list) {
  const mine = list.filter(([name]) => wanted(name));
  if (mine.length > 0) console.log(`\n${mine.map(([name]) => name).join(', ')}`);
  const codes = await Promise.all(mine.map(([, path, args]) => run(process.execPath, [program(path), ...args], { cwd: root })));
  mine.forEach(([name], i) => count(name, codes[i] === 0));
}

async function unitTests() {
  if (!wanted('unit')) return;
  console.log('\nunit');
  const file = join(results, 'unit.json');
  const code = await run(
    process.execPath,
    [program('jest/bin/jest.js'), '--config=jest.together.config.mjs', '--json', `--outputFile=${file}`],
    { cwd: root, env: { ...process.env, ...(quick && { MILLPOND_QUICK: '1' }) } },
  );
  try {
    const report = JSON.parse(readFileSync(file, 'utf8'));
    passed += report.numPassedTests;
    failed += report.numFailedTests + report.numRuntimeErrorTestSuites;
    if (code !== 0 && report.numFailedTests + report.numRuntimeErrorTestSuites === 0) failed++;
  } catch {
    count('unit', false);
  }
}

/** The titles of tests that failed once and passed then. */
const secondTime = (suites) =>
  suites.flatMap(({ specs = [], suites: inner = [] }) => [
    ...specs.filter(({ tests }) => tests.some(({ status }) => status === 'flaky')).map(({ title }) => title),
    ...secondTime(inner),
  ]);

async function browserTests() {
  if (!wanted('browser')) return;
  console.log('\nbrowser');
  const { requireBuild } = await import('./setup/build.mjs');
  const { startStack } = await import('./setup/stack.mjs');
  await requireBuild();
  const stack = await startStack();
  const file = join(results, 'browser.json');
  try {
    await run(process.execPath, [program('@playwright/test/cli.js'), 'test', ...process.argv.slice(3)], {
      cwd: root,
      env: {
        ...process.env,
        MILLPOND_URL: stack.address,
        PLAYWRIGHT_JSON_OUTPUT_FILE: file,
        PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1',
        // A test begins with nothing stored, but needn't begin with a new process that compiles the interface once more.
        PW_TEST_REUSE_CONTEXT: '1',
      },
    });
    const { stats, suites } = JSON.parse(readFileSync(file, 'utf8'));
    for (const title of secondTime(suites)) console.log(`PASSED ONLY THE SECOND TIME: ${title}`);
    passed += stats.expected + stats.flaky;
    failed += stats.unexpected;
    if (stats.expected + stats.unexpected + stats.flaky === 0) failed++;
  } catch (error) {
    console.error(error);
    count('browser', false);
  } finally {
    await stack.stop();
  }
}

await main(async () => {
  process.env.MILLPOND_HOME ??= join(root, '.millpond/test');
  await requirePrerequisites();
  await requirePackages();
  rmSync(results, { recursive: true, force: true });
  mkdirSync(results, { recursive: true });
  await (await import('./setup/bundle.mjs')).bundlePageScripts();
  await steps([
    ['lint', 'eslint/bin/eslint.js', [...remembering('lint'), '.']],
    ['format', 'prettier/bin/prettier.cjs', [...remembering('format'), '--check', '--log-level=warn', '.']],
    ['types', 'typescript-7/bin/tsc', ['--noEmit']],
  ]);
  await unitTests();
  await browserTests();
  console.log(`\n${passed} passed, ${failed} failed`);
  return failed > 0 ? 1 : 0;
});
