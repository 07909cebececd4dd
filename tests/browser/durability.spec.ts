import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import type { OpenedProject } from '@/ui/requests/requests';

interface Stack {
  readonly address: string;
  readonly pids: { readonly application: number; readonly database: number };
  readonly stop: () => Promise<void>;
}

async function startStack(fresh: boolean): Promise<Stack> {
  const { startStack: start } = (await import('../../scripts/setup/stack.mjs' as string)) as {
    startStack: (options: { fresh: boolean }) => Promise<Stack>;
  };
  return start({ fresh });
}

const post = (url: string, data: object) =>
  fetch(url, { method: 'POST', body: JSON.stringify(data), headers: { 'content-type': 'application/json' } });

test('kill -9 of the server or of PostgreSQL right after an answered edit loses nothing', async () => {
  test.skip(process.env.DATABASE_URL !== undefined, 'The database is somebody else’s to end.');
  test.setTimeout(180_000);
  process.env.MILLPOND_HOME = join(process.cwd(), '.millpond/durability');
  let stack = await startStack(true);
  try {
    const { id } = (await (await post(`${stack.address}/api/projects`, { name: 'To be kept', from: 'demo' })).json()) as {
      id: string;
    };
    const node = 'ecatalogue0';
    for (const [round, victim] of (['application', 'database', 'application', 'database'] as const).entries()) {
      const value = `${20 + round}px`;
      const answer = await post(`${stack.address}/api/projects/${id}/edits`, {
        revision: round,
        edits: [
          { id: randomUUID(), kind: 'do', edit: { type: 'setStyle', owner: node, at: 'bnarrow', property: 'font-size', value } },
        ],
      });
      expect(await answer.json()).toMatchObject({ revision: round + 1, refused: [] });
      process.kill(stack.pids[victim], 'SIGKILL');
      if (victim === 'database') {
        // The server says so in words, and does not end.
        const down = await fetch(`${stack.address}/api/projects/${id}`);
        expect([down.status, await down.json()]).toEqual([
          503,
          { error: expect.stringContaining('database does not answer') as unknown },
        ]);
      }
      await stack.stop();
      stack = await startStack(false);
      const opened = (await (await fetch(`${stack.address}/api/projects/${id}`)).json()) as OpenedProject;
      expect(opened.revision).toBe(round + 1);
      expect(opened.project.pages[1]!.elements[node]!.styles.bnarrow!['font-size']).toBe(value);
      expect(opened.history.undo).toHaveLength(round + 1);
    }
  } finally {
    await stack.stop();
  }
});
