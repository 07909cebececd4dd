import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { randomUUID } from 'node:crypto';
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import { Pool } from 'pg';
import { demoProject } from '@/demo';
import type { Project } from '@/core/document';
import { kept } from '@/core/document';
import { renderExport } from '@/core/render';
import { pool } from '@/server/db/client';
import { loadProject } from '@/server/store/documents';
import { makeEdits } from '@/server/store/edit-log';
import { listRevisions } from '@/server/store/revisions';
import { listProjects } from '@/server/store/projects';
import { database } from '@/server/db/client';

jest.mock('@/server/logging/log', () => ({ log: { error: jest.fn(), warn: jest.fn(), info: jest.fn() } }));

// A database as the version before left it: documents in whole rows, values written on a `node`.

const folder = 'src/server/db/migrations';
const name = `before_${randomUUID().replaceAll('-', '')}`;
const base = process.env.DATABASE_URL!;
const url = base.replace(/\/[^/]*$/, `/${name}`);

async function inDatabase(address: string, work: (pool: Pool) => Promise<unknown>): Promise<void> {
  const own = new Pool({ connectionString: address, max: 1 });
  await work(own);
  await own.end();
}

beforeAll(() => inDatabase(base, (own) => own.query(`create database ${name}`)));
afterAll(async () => {
  await pool().end();
  await inDatabase(base, (own) => own.query(`drop database ${name} with (force)`));
});

test('projects stored by the version before open unchanged, with their history', async () => {
  const old = mkdtempSync(join(tmpdir(), 'mill-pond-'));
  cpSync(folder, old, { recursive: true });
  const journal = JSON.parse(readFileSync(join(old, 'meta/_journal.json'), 'utf8')) as { entries: unknown[] };
  writeFileSync(join(old, 'meta/_journal.json'), JSON.stringify({ ...journal, entries: journal.entries.slice(0, 3) }));
  const demo = demoProject('11111111-1111-4111-8111-111111111111');
  const { pages, ...rest } = kept(demo);
  await inDatabase(url, async (own) => {
    await migrate(drizzle(own), { migrationsFolder: old });
    await own.query('insert into projects (id, name, document, revision) values ($1, $2, $3, 2)', [demo.id, demo.name, rest]);
    for (const [position, page] of pages.entries())
      await own.query('insert into pages (id, project_id, position, name, document, revision) values ($1, $2, $3, $4, $5, 2)', [
        page.id,
        demo.id,
        position,
        page.name,
        page,
      ]);
    const log = [
      [
        1,
        { type: 'setStyle', node: 'ecatalogue1', at: 'base', property: 'color', value: 'red' },
        { type: 'clearStyle', node: 'ecatalogue1', at: 'base', property: 'color' },
      ],
      [
        2,
        { type: 'group', label: 'Two', edits: [{ type: 'clearStyle', node: 'ecatalogue1', at: 'base', property: 'color' }] },
        {
          type: 'group',
          label: 'Two',
          edits: [{ type: 'setStyle', node: 'ecatalogue1', at: 'base', property: 'color', value: 'red' }],
        },
      ],
    ] as const;
    for (const [revision, edit, inverse] of log)
      await own.query(
        "insert into edits (project_id, revision, edit_id, kind, edit, inverse) values ($1, $2, $3, 'do', $4, $5)",
        [demo.id, revision, randomUUID(), edit, inverse],
      );
    await migrate(drizzle(own), { migrationsFolder: folder });
  });
  rmSync(old, { recursive: true });
  process.env.DATABASE_URL = url;
  const { project, revision, history } = await loadProject(database(), demo.id);
  expect([project, revision]).toEqual([demo, 2]);
  expect(renderExport(project)).toEqual(renderExport(demo));
  expect(await listProjects()).toMatchObject([{ name: demo.name, pages: demo.pages.length, breakpoints: 3, revision: 2 }]);
  // What was written on a node is undone as what is written on an owner.
  expect(history.undo.map(({ inverse }) => JSON.stringify(inverse)).join()).not.toContain('"node"');
  const { revisions } = await listRevisions(demo.id);
  expect(revisions.map(({ words }) => words)).toEqual(['Two', expect.stringMatching(/^Set color/)]);
  const [, last] = history.undo;
  const undo = { id: randomUUID(), kind: 'undo' as const, of: last!.id, edit: last!.inverse };
  expect((await makeEdits(demo.id, { revision: 2, edits: [undo] })).refused).toEqual([]);
  const after: Project = (await loadProject(database(), demo.id)).project;
  expect(after.pages[1]!.elements.ecatalogue1!.styles.base!.color).toBe('red');
});
