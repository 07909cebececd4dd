import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { root } from './places.mjs';

/** Runs one of the project's TypeScript programs; resolves to its exit code. */
export function runTypeScript(file, args = [], env = {}) {
  const child = spawn(process.execPath, [join(root, 'node_modules/tsx/dist/cli.mjs'), join(root, file), ...args], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  return new Promise((resolve) => child.on('close', (code) => resolve(code ?? 1)));
}
