import { accessSync, constants, existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './places.mjs';
import { fail, run } from './process.mjs';

const NODE_MAJOR = 20;
const chromiumPrograms = JSON.parse(readFileSync(join(root, 'src/server/browser/chromium-programs.json'), 'utf8'));

/** The folder of PostgreSQL's newest server programs, or undefined. */
export function postgresPrograms() {
  const versions = '/usr/lib/postgresql';
  if (!existsSync(versions)) return undefined;
  return readdirSync(versions)
    .sort((a, b) => Number(b) - Number(a))
    .map((version) => join(versions, version, 'bin'))
    .find((folder) => existsSync(join(folder, 'initdb')));
}

/** @throws Refusal when MILLPOND_CHROMIUM names something that can't be run */
function hasChromium() {
  const named = process.env.MILLPOND_CHROMIUM;
  if (named === undefined) return chromiumPrograms.some((path) => existsSync(path));
  try {
    accessSync(named, constants.X_OK);
    if (statSync(named).isFile()) return true;
  } catch {
    // Said below.
  }
  return fail(
    `MILLPOND_CHROMIUM names ${named}, and there is no program there that can be run. Name Chromium’s program, or leave the variable out to use Debian’s.`,
  );
}

/** Sees to Node, PostgreSQL and Chromium: installs them as root, says how as anybody else. */
export async function requirePrerequisites() {
  if (Number(process.versions.node.split('.')[0]) < NODE_MAJOR)
    fail(`Mill Pond needs Node ${NODE_MAJOR} or newer; this is ${process.version}.`);
  const missing = [];
  if (!process.env.DATABASE_URL && !postgresPrograms()) missing.push('postgresql');
  if (!hasChromium()) missing.push('chromium-headless-shell');
  if (missing.length === 0) return;
  const command = `apt-get update && apt-get install -y ${missing.join(' ')}`;
  if (process.getuid?.() !== 0) {
    const hint = missing.includes('postgresql') ? '\n\nOr set DATABASE_URL to a PostgreSQL database of your own.' : '';
    fail(`Not installed: ${missing.join(', ')}. Install with:\n\n  sudo sh -c '${command}'${hint}`);
  }
  console.log(`Installing ${missing.join(' and ')} …`);
  const code = await run('sh', ['-c', command], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  });
  if (code !== 0) fail(`Could not install ${missing.join(', ')}. Try by hand:\n\n  ${command}`);
}
