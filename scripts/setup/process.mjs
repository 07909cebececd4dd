import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';

/** Something that stands in the way, in words for people who are to do something about it. */
export class Refusal extends Error {}

/** @throws Refusal */
export function fail(message) {
  throw new Refusal(message);
}

let ending;
/** Whether this program is on its way out. */
export const isEnding = () => ending !== undefined;

const started = new Set();

/** Remembers how to stop something that was started; call what it answers once it has been stopped. */
export function whenEnding(stop) {
  started.add(stop);
  return () => started.delete(stop);
}

/** Stops all that was started, the last first. */
export async function stopStarted() {
  for (const stop of [...started].reverse()) {
    started.delete(stop);
    await stop().catch((error) => console.error(error.message));
  }
}

/**
 * Runs one of the project's programs. However it ends (done, refused, broken or told to), what it has started is stopped,
 * and people read a sentence.
 * @param work resolves to the exit code, or to `undefined` where the program goes on until it is told to stop
 */
export async function main(work) {
  const end = (code) => (ending ??= stopStarted().then(() => process.exit(code)));
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.on(signal, () => {
      if (!ending) console.log('\nStopping …');
      void end(0);
    });
  const broken = (error) => {
    if (ending) return;
    if (error instanceof Refusal) console.error(`\n${error.message}\n`);
    else
      console.error(`\nSomething went wrong that this program has no words for: ${error?.message ?? error}\n${placeOf(error)}\n`);
    void end(1);
  };
  process.on('uncaughtException', broken);
  process.on('unhandledRejection', broken);
  try {
    const code = await work(end);
    if (code !== undefined) await end(code);
  } catch (error) {
    broken(error);
  }
}

const placeOf = (error) =>
  (error?.stack ?? '')
    .split('\n')
    .find((line) => line.includes('/scripts/'))
    ?.trim() ?? '';

/** Runs a command to its end with its output shown; resolves to its exit code. */
export function run(command, args, options = {}) {
  const child = spawn(command, args, { stdio: 'inherit', ...options });
  return new Promise((resolve, reject) => {
    child.on('error', reject);
    child.on('close', (code) => resolve(code ?? 1));
  });
}

/** Whether a process runs. One that has ended and only waits to be collected doesn't. */
export function isAlive(pid) {
  try {
    process.kill(pid, 0);
  } catch (error) {
    if (error.code !== 'EPERM') return false;
  }
  try {
    return !/\) Z /.test(readFileSync(`/proc/${pid}/stat`, 'utf8'));
  } catch {
    return true;
  }
}

export const pause = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds));

/** Asks a process to stop, waits, and ends it by force when it doesn't. */
export async function stopProcess(pid, signal, patience = 15_000) {
  try {
    process.kill(pid, signal);
  } catch {
    return;
  }
  for (let waited = 0; waited < patience; waited += 50) {
    if (!isAlive(pid)) return;
    await pause(50);
  }
  try {
    process.kill(pid, 'SIGKILL');
  } catch {
    // Gone in the meantime.
  }
}
