import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { nextProgram } from './build.mjs';
import { root } from './places.mjs';
import { fail, pause, stopProcess } from './process.mjs';
import { runTypeScript } from './typescript.mjs';

export async function requireFreePort(port) {
  const free = await new Promise((resolve) => {
    const server = createServer();
    server.on('error', () => resolve(false));
    server.listen(port, '127.0.0.1', () => server.close(() => resolve(true)));
  });
  if (!free) fail(`Port ${port} is taken. Choose another: npm start -- --port ${port + 1}`);
}

export async function prepareDatabase(url) {
  const code = await runTypeScript('scripts/prepare-database.ts', [], { DATABASE_URL: url });
  if (code !== 0) fail('The database could not be brought up to date; the messages above say why.');
}

/** Serves the built application (or, in development, the sources) on loopback; resolves when it answers. */
export async function serve({ url, port, dev = false }) {
  const child = spawn(process.execPath, [nextProgram, dev ? 'dev' : 'start', '-H', '127.0.0.1', '-p', String(port)], {
    cwd: root,
    stdio: ['ignore', dev ? 'inherit' : 'ignore', 'inherit'],
    detached: true,
    env: { ...process.env, DATABASE_URL: url, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: dev ? 'development' : 'production' },
  });
  let ended = false;
  child.on('exit', () => (ended = true));
  const address = `http://127.0.0.1:${port}`;
  for (let waited = 0; ; waited += 100) {
    const answer = await fetch(`${address}/api/health`).catch(() => undefined);
    if (answer?.ok) break;
    if (ended || waited > 90_000) fail('The application did not start; the messages above say why.');
    await pause(100);
  }
  return { address, pid: child.pid, child, stop: () => stopProcess(child.pid, 'SIGTERM') };
}
