import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { Client } from 'pg';
import type { OpenedProject } from '@/ui/requests/requests';
import { kills } from '../kills/kills';

interface Stack {
  readonly address: string;
  readonly databaseUrl: string;
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

test('killed servers and databases in the midst of edits: nothing answered is lost, nothing is doubled, nothing is a 500', async () => {
  test.skip(process.env.DATABASE_URL !== undefined, 'The database is somebody else’s to end.');
  test.setTimeout(240_000);
  process.env.MILLPOND_HOME = join(process.cwd(), '.millpond/durability');
  const report = await kills({ rounds: 2, seed: 1, people: 2 });
  expect(report).toMatchObject({ lost: [], doubled: [], odd: [], hung: [] });
  expect(report.answered).toBeGreaterThanOrEqual(2 * 2);
  expect(Object.values(report.killed).reduce((sum, count) => sum + count, 0)).toBe(2);
});

test('a project that can not be read opens as it was, says why, and is gone back to by keyboard', async ({ page }) => {
  test.skip(process.env.DATABASE_URL !== undefined, 'The database is somebody else’s to spoil.');
  test.setTimeout(300_000);
  process.env.MILLPOND_HOME = join(process.cwd(), '.millpond/durability');
  let stack = await startStack(true);
  try {
    const { id } = (await (await post(`${stack.address}/api/projects`, { name: 'Spoilt', from: 'demo' })).json()) as {
      id: string;
    };
    const edits = ['red', 'blue'].map((value) => ({
      id: randomUUID(),
      kind: 'do',
      edit: { type: 'setStyle', owner: 'efront1', at: 'base', property: 'color', value },
    }));
    await post(`${stack.address}/api/projects/${id}/edits`, { revision: 0, edits });
    const client = new Client({ connectionString: stack.databaseUrl });
    await client.connect();
    await client.query(
      `update edits set edit = '{"type":"setText","node":"egone","text":"x"}' where project_id = $1 and revision = 2`,
      [id],
    );
    // What has been stored as a whole since says the second edit too, so it goes.
    await client.query('delete from project_parts where project_id = $1 and revision > 0', [id]);
    await client.query('update projects set snapshot = 0 where id = $1', [id]);
    await client.end();
    // The document is in the server's memory until it is started again.
    await stack.stop();
    stack = await startStack(false);
    await page.goto(`${stack.address}/projects/${id}`);
    const bar = page.getByRole('alert', { name: "This project can't be read" });
    await expect(bar).toContainText(/revision 2 can't be made again.*as it was at revision 1, before the last edit/);
    await page.getByRole('treeitem', { name: /^Header/ }).click();
    await page.keyboard.press('Delete');
    await expect(page.getByRole('alert').filter({ hasText: 'Go back to this revision to edit it' })).toBeVisible();
    const download = page.waitForEvent('download');
    await bar.getByRole('link', { name: 'Download everything' }).click();
    const file = (await import('node:fs')).readFileSync(await (await download).path(), 'utf8');
    expect((JSON.parse(file) as { log: unknown[] }).log).toHaveLength(2);
    await bar.getByRole('button', { name: 'Go back to revision 1' }).focus();
    await page.keyboard.press('Enter');
    await expect(bar).toHaveCount(0);
    await page.getByRole('treeitem', { name: /^Header/ }).click();
    await page.getByRole('textbox', { name: 'Any declaration' }).fill('color: green');
    await page.getByRole('textbox', { name: 'Any declaration' }).press('Enter');
    await expect(page.getByTestId('saving')).toHaveText('All saved');
    const opened = (await (await fetch(`${stack.address}/api/projects/${id}`)).json()) as OpenedProject;
    expect([opened.revision, opened.damage, opened.history.undo.length]).toEqual([4, undefined, 1]);
    expect(opened.project.pages[0]!.elements.efront1!.styles.base!.color).toBe('green');
  } finally {
    await stack.stop();
  }
});
