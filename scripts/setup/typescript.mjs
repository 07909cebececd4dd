import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { root } from './places.mjs';
import { stopProcess, whenEnding } from './process.mjs';

/**
 * Runs one of the project's TypeScript programs; resolves to its exit code.
 * @param patience how long it may take to end once it is told to, ms
 */
export function runTypeScript(file, args = [], env = {}, patience = 15_000) {
  const child = spawn(process.execPath, [join(root, 'node_modules/tsx/dist/cli.mjs'), join(root, file), ...args], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  const forget = whenEnding(() => stopProcess(child.pid, 'SIGTERM', patience));
  return new Promise((resolve) =>
    child.on('close', (code) => {
      forget();
      resolve(code ?? 1);
    }),
  );
}
