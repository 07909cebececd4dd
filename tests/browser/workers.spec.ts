import { randomUUID } from 'node:crypto';
import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import type { AuditRun } from '@/ui/audit/api';
import type { OpenedProject } from '@/ui/requests/requests';

interface Stack {
  readonly address: string;
  readonly databaseUrl: string;
  readonly stop: () => Promise<void>;
}

function startWorker(url: string): ChildProcess {
  return spawn(process.execPath, [join(process.cwd(), 'scripts/worker.mjs')], {
    env: { ...process.env, DATABASE_URL: url },
    // A group of its own, so that it can be killed with all its children at once.
    detached: true,
    stdio: 'ignore',
  });
}

const kill = (worker: ChildProcess | undefined) => {
  try {
    if (worker?.pid) process.kill(-worker.pid, 'SIGKILL');
  } catch {
    // Gone already.
  }
};

test('a killed worker’s page is taken up by another; nothing is lost or doubled', async () => {
  process.env.MILLPOND_HOME = join(process.cwd(), '.millpond/workers');
  process.env.MILLPOND_WORK = 'elsewhere';
  const { startStack } = (await import('../../scripts/setup/stack.mjs' as string)) as { startStack: () => Promise<Stack> };
  const stack = await startStack();
  let [first, second]: (ChildProcess | undefined)[] = [];
  const post = async (path: string, data: object) =>
    (
      await fetch(stack.address + path, {
        method: 'POST',
        body: JSON.stringify(data),
        headers: { 'content-type': 'application/json' },
      })
    ).json() as Promise<{ id: string; run: string }>;
  try {
    const { id } = await post('/api/projects', { name: 'Audited', from: 'empty' });
    const { project } = (await (await fetch(`${stack.address}/api/projects/${id}`)).json()) as OpenedProject;
    const { id: page, root } = project.pages[0]!;
    // Type that grows, in boxes as wide as it asks for, has to be measured at every width: that takes a while.
    const texts = Array.from({ length: 8 }, (_, i) => ({
      id: `ew${i}`,
      tag: 'p',
      name: `Text ${i}`,
      attributes: {},
      text: `Ladder ${i} is back on the shelf`,
      children: [],
      shared: [],
      styles: { base: { display: 'inline-block', 'font-size': 'calc(12px + 0.5vw)' } },
    }));
    const edits = [
      {
        type: 'insertElement',
        page,
        parent: root,
        index: 0,
        elements: [
          { id: 'ewhole', tag: 'div', name: 'All', attributes: {}, children: texts.map((one) => one.id), shared: [], styles: {} },
          ...texts,
        ],
      },
      { type: 'setProject', field: 'range', value: { first: 320, last: 800 } },
      ...project.deviceSets.map((set) => ({ type: 'removeDeviceSet', id: set.id })),
    ].map((edit) => ({ id: randomUUID(), kind: 'do', edit }));
    const { revision } = (await post(`/api/projects/${id}/edits`, { revision: 0, edits })) as unknown as { revision: number };
    first = startWorker(stack.databaseUrl);
    const { run } = await post(`/api/projects/${id}/audits`, { revision });
    const runs = async () =>
      (
        (await (await fetch(`${stack.address}/api/projects/${id}/audits`)).json()) as {
          runs: (AuditRun & { pages: { attempts: number }[] })[];
        }
      ).runs;
    const pages = async () => (await runs())[0]!.pages;
    await expect
      .poll(async () => (await pages()).some(({ state, decided }) => state === 'running' && decided > 0), {
        timeout: 60_000,
        // A page takes a second or two.
        intervals: [50],
      })
      .toBe(true);
    const hit = (await pages()).find(({ state }) => state === 'running')!;
    kill(first);
    second = startWorker(stack.databaseUrl);
    await expect
      .poll(async () => (await pages()).find(({ page }) => page === hit.page)!.state, { timeout: 120_000 })
      .toBe('done');
    const after = (await pages()).find(({ page }) => page === hit.page)! as AuditRun['pages'][number] & { attempts: number };
    expect(after.attempts).toBe(2);
    expect(after.problem).toBeNull();
    expect(after.decided).toBeGreaterThan(481);
    expect(new Set(after.findings.map(({ key }) => key)).size).toBe(after.findings.length);
    expect(await runs()).toHaveLength(1);
    await fetch(`${stack.address}/api/projects/${id}/audits/${run}`, { method: 'DELETE' });
  } finally {
    kill(first);
    kill(second);
    await stack.stop();
    delete process.env.MILLPOND_WORK;
  }
});
