import { join } from 'node:path';
import { root } from './places.mjs';
import { fail, run } from './process.mjs';
import { hashOf, hasStamp, writeStamp } from './stamp.mjs';

/**
 * Installs the npm packages of the lock file, unless they are there already. Not `npm ci`: it refuses a lock file in
 * which optional packages for other systems are missing, as they are where a registry mirror hasn't all of them.
 */
export async function requirePackages() {
  const stamp = join(root, 'node_modules/.mill-pond-stamp');
  const value = hashOf(['package-lock.json']);
  if (hasStamp(stamp, value)) return;
  console.log('Installing npm packages …');
  const code = await run('npm', ['install', '--no-save', '--no-fund', '--no-audit', '--loglevel=error'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (code !== 0) fail('The npm packages could not be installed. Is a package registry within reach?');
  writeStamp(stamp, value);
}
