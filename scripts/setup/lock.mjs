import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { homeFolder } from './places.mjs';
import { fail, isAlive } from './process.mjs';

const lockFile = () => join(homeFolder(), 'running.json');

/** Makes sure that only one run uses this home; a second one is told where the first is. */
export function takeLock(address) {
  const file = lockFile();
  mkdirSync(homeFolder(), { recursive: true });
  const content = JSON.stringify({ pid: process.pid, address });
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
      rmSync(file, { force: true });
    }
  }
  process.on('exit', () => {
    if (readHolder()?.pid === process.pid) rmSync(file, { force: true });
  });
}

function readHolder() {
  const file = lockFile();
  try {
    return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined;
  } catch {
    return undefined;
  }
}
