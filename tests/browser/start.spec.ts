import { spawn } from 'node:child_process';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';

function start(home: string, words: readonly string[] = []): Promise<{ code: number | null; output: string }> {
  const child = spawn(process.execPath, ['scripts/start.mjs', ...words], { env: { ...process.env, MILLPOND_HOME: home } });
  let output = '';
  child.stdout.on('data', (data) => (output += String(data)));
  child.stderr.on('data', (data) => (output += String(data)));
  return new Promise((done) => child.on('close', (code) => done({ code, output })));
}

test('what stands in the way of a start is said', async () => {
  const home = await mkdtemp(join(tmpdir(), 'mill-pond-start-'));
  const taken = createServer();
  const port = await new Promise<number>((done) =>
    taken.listen(0, '127.0.0.1', () => done((taken.address() as { port: number }).port)),
  );
  try {
    await writeFile(join(home, 'running.json'), JSON.stringify({ pid: process.pid, address: 'http://127.0.0.1:9' }));
    expect(await start(home)).toEqual({
      code: 1,
      output: expect.stringMatching(/already running here \(process \d+\): http:\/\/127\.0\.0\.1:9/) as unknown,
    });
    // The lock of a run that is gone doesn't hold.
    await writeFile(join(home, 'running.json'), JSON.stringify({ pid: 2 ** 22 + 1, address: 'http://127.0.0.1:9' }));
    expect(await start(home, ['--port', String(port)])).toEqual({
      code: 1,
      output: expect.stringMatching(/Port \d+ is taken/) as unknown,
    });
    await expect(readFile(join(home, 'running.json'))).rejects.toThrow();
    expect((await start(home, ['--port', 'x'])).output).toMatch(/needs a number/);
  } finally {
    taken.close();
    await rm(home, { recursive: true });
  }
});
