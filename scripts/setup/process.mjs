import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';

/** Runs a command to its end with its output shown; resolves to its exit code. */
export function run(command, args, options = {}) {
  const child = spawn(command, args, { stdio: 'inherit', ...options });
  return new Promise((resolve, reject) => {
    child.on('error', reject);
    child.on('close', (code) => resolve(code ?? 1));
  });
}

/** Ends the program with a message for people instead of a stack. */
export function fail(message) {
  console.error(`\n${message}\n`);
  process.exit(1);
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
