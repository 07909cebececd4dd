import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { homeFolder, requireHome, root } from './places.mjs';
import { fail, isAlive } from './process.mjs';

const lockFile = () => join(homeFolder(), 'running.json');

/** The run, other than this one, that serves from this folder with its usual home; undefined when there is none. */
export function otherRun() {
  const holder = readHolder(join(root, '.millpond/running.json'));
  return holder && holder.pid !== process.pid && isAlive(holder.pid) ? holder : undefined;
}

/**
 * Makes sure that only one run uses this home; a second one is told where the first is.
 * @returns the process of the application that a run which was ended by force has left behind, if it may still live
 */
export function takeLock(address) {
  const file = lockFile();
  requireHome();
  const content = JSON.stringify({ pid: process.pid, address });
  let leftover;
  for (;;) {
    try {
      writeFileSync(file, content, { flag: 'wx' });
      break;
    } catch (error) {
      if (error.code !== 'EEXIST') throw error;
      const holder = readHolder();
      if (holder && isAlive(holder.pid))
        fail(
          `Mill Pond is already running here (process ${holder.pid}): ${holder.address}\nStop it with Ctrl-C in its window, then start again.`,
        );
      leftover = holder?.application;
      rmSync(file, { force: true });
    }
  }
  process.on('exit', () => {
    if (readHolder()?.pid === process.pid) rmSync(file, { force: true });
  });
  return leftover !== undefined && isAlive(leftover) && /next|serve\.mjs/.test(commandOf(leftover)) ? leftover : undefined;
}

/** Notes which process serves, for the run after this one. */
export function noteApplication(pid) {
  writeFileSync(lockFile(), JSON.stringify({ ...readHolder(), application: pid }));
}

function commandOf(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8');
  } catch {
    return '';
  }
}

function readHolder(file = lockFile()) {
  try {
    return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined;
  } catch {
    return undefined;
  }
}
