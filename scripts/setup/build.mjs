import { join } from 'node:path';
import { bundlePageScripts, hasPageScripts } from './bundle.mjs';
import { otherRun } from './lock.mjs';
import { root } from './places.mjs';
import { fail, run } from './process.mjs';
import { hashOf, hasStamp, writeStamp } from './stamp.mjs';

const SOURCES = ['src', 'package-lock.json', 'next.config.ts', 'postcss.config.mjs', 'tsconfig.json', 'scripts/setup/bundle.mjs'];

export const nextProgram = join(root, 'node_modules/next/dist/bin/next');

/** Builds the application, unless the last build was of the same sources. */
export async function requireBuild() {
  const stamp = join(root, '.next/mill-pond-stamp');
  const value = hashOf(SOURCES);
  if (hasStamp(stamp, value)) {
    // They are made in a moment, and may have been thrown away since.
    if (!hasPageScripts()) await bundlePageScripts();
    return;
  }
  const other = otherRun();
  // A new build would take the files away under the server that serves the old one.
  if (other)
    fail(
      `The sources have changed, and Mill Pond is running from this folder (process ${other.pid}). Stop it first, with Ctrl-C in its window.`,
    );
  console.log('Building …');
  await bundlePageScripts();
  const code = await run(process.execPath, [nextProgram, 'build'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
  });
  if (code !== 0) fail('The build failed; the messages above say where.');
  writeStamp(stamp, value);
}
