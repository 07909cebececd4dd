import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { SCHEMA_VERSION } from '@/core/document';
import { planPage } from '@/core/plans';
import { database } from '@/server/db/client';
import { entriesSince } from '@/server/store/log-rows';
import { makeEdits } from '@/server/store/edit-log';
import { loadProject } from '@/server/store/documents';
import { readSnapshot, snapshotsOf } from '@/server/store/parts';
import { duplicateProject, listProjects, renameProject, setDeleted } from '@/server/store/projects';
import { closeDatabase, colour, count, freshly, incoming, make, newDemo, newEmpty } from './projects';

jest.mock('@/server/logging/log', () => ({ log: { error: jest.fn(), warn: jest.fn(), info: jest.fn() } }));

afterAll(closeDatabase);

const parts = (id: string) => count(sql`select count(*) from project_parts where project_id = ${id}`);
const logged = (id: string) => count(sql`select count(*) from edits where project_id = ${id}`);

test('an edit writes its line of the log and no document; a whole one is stored once in a while', async () => {
  const id = await newDemo();
  const before = await parts(id);
  await make(id, colour('ecatalogue1', 'red'));
  expect([await parts(id), await logged(id)]).toEqual([before, 1]);
  await make(id, ...Array.from({ length: 70 }, (_, i) => colour('ecatalogue1', `rgb(${i} 0 0)`)));
  // The page that changed and the small part; sheets, pictures and other pages stay where they are.
  expect([await parts(id), await logged(id)]).toEqual([before + 2, 71]);
  const { project, revision, snapshot } = await freshly(id);
  expect([revision, snapshot.revision]).toEqual([71, 71]);
  expect(project.pages[1]!.elements.ecatalogue1!.styles.base!.color).toBe('rgb(69 0 0)');
});

test('what another server has made since is taken from the log', async () => {
  const id = await newEmpty();
  const { project } = await loadProject(database(), id);
  await make(id, colour('efirsth', 'red'));
  const state = await freshly(id);
  expect(state.project.pages[0]!.elements.efirsth!.styles.base!.color).toBe('red');
  expect(state.history.undo).toHaveLength(1);
  expect(state.snapshot.project).toEqual(project);
});

test('fifty windows at once are taken one after the other, each once', async () => {
  const id = await newDemo();
  const { project } = await loadProject(database(), id);
  const owners = Object.keys(project.pages[0]!.elements).slice(0, 25);
  const answers = await Promise.all(
    Array.from({ length: 50 }, (_, i) =>
      makeEdits(id, { revision: 0, edits: [incoming(colour(owners[i % 25]!, `rgb(${i} 0 0)`))] }),
    ),
  );
  expect(answers.map(({ revision }) => revision).sort((a, b) => a - b)).toEqual(Array.from({ length: 50 }, (_, i) => i + 1));
  expect(answers.every(({ entries, revision }) => entries.length === revision)).toBe(true);
  expect(await logged(id)).toBe(50);
}, 60_000);

test('snapshots are thinned out, and each that stays can be read', async () => {
  const id = await newEmpty();
  for (let round = 0; round < 8; round++)
    await make(id, ...Array.from({ length: 65 }, (_, i) => colour('efirsth', `rgb(${round} ${i} 0)`)));
  const kept = await snapshotsOf(database(), id);
  expect(kept).toEqual([520, 455, 390, 325, 0]);
  const entries = await entriesSince(database(), id, 0);
  for (const revision of kept.slice(0, -1)) {
    const { edit } = entries[revision - 1]!;
    const { styles } = (await readSnapshot(database(), id, revision)).project.pages[0]!.elements.efirsth!;
    expect(styles.base!.color).toBe(edit.type === 'setStyle' && edit.value);
  }
  expect((await readSnapshot(database(), id, 0)).project.pages[0]!.elements.efirsth!.styles).toEqual({});
}, 60_000);

test('a project that was renamed says so everywhere; one put away is not found until it is brought back', async () => {
  const id = await newEmpty();
  await make(id, colour('efirsth', 'red'));
  await renameProject(id, 'Renamed');
  expect((await loadProject(database(), id)).project.name).toBe('Renamed');
  expect((await listProjects()).find((one) => one.id === id)).toMatchObject({ name: 'Renamed', pages: 1, revision: 1 });
  await setDeleted(id, true);
  await expect(loadProject(database(), id)).rejects.toThrow(/no such project/);
  await setDeleted(id, false);
  expect((await loadProject(database(), id)).revision).toBe(1);
});

/** A page's part in the form of version 6: with texts of the elements' own. */
const inFormSix = (id: string, page: string) => sql`
  update project_parts set document = document || jsonb_build_object('elements', (
    select jsonb_object_agg(key, case
      when jsonb_array_length(value->'children') = 1 and jsonb_typeof(value->'children'->0) = 'object'
      then (value - 'children') || jsonb_build_object('text', value->'children'->0->'text', 'children', '[]'::jsonb)
      else value end) from jsonb_each(document->'elements')))
  where project_id = ${id} and part = ${`page ${page}`}`;

test.each([
  ['all parts of an earlier version', 6],
  ['parts of several versions', SCHEMA_VERSION],
])('a document is read and stays readable with %s', async (_, schema) => {
  const id = await newDemo();
  const { project } = await loadProject(database(), id);
  await database().execute(inFormSix(id, 'ghours'));
  const said = sql`jsonb_set(document, '{schema}', ${String(schema)}::jsonb)`;
  await database().execute(sql`update project_parts set document = ${said} where project_id = ${id} and part = 'project'`);
  expect((await freshly(id)).project).toEqual(project);
  // Another page is edited, and a whole document is stored in the form of today.
  await make(id, ...Array.from({ length: 65 }, (__, i) => colour('ecatalogue1', `rgb(${i} 0 0)`)));
  const { project: after, snapshot } = await freshly(id);
  expect([snapshot.revision, after.pages[3]]).toEqual([65, project.pages[3]]);
  expect((await readSnapshot(database(), id, 65)).asStored).toBe(true);
});

test('pages come, go and change places, and a copy of the project has what it has then', async () => {
  const id = await newDemo();
  const { project } = await loadProject(database(), id);
  const page = planPage(project, 'Volunteers', { from: 'copy', page: 'ghours' }, 'volunteers');
  await make(
    id,
    { type: 'removePage', page: 'gtool' },
    { type: 'addPage', page, index: 0 },
    { type: 'movePage', page: 'gjoin', index: 0 },
  );
  await make(id, ...Array.from({ length: 65 }, (_, i) => colour('ecatalogue1', `rgb(${i} 0 0)`)));
  const { project: after, history } = await freshly(id);
  expect(after.pages.map(({ slug }) => slug)).toEqual(['join', 'volunteers', 'index', 'catalogue', 'hours', 'all-tools']);
  expect(history.undo).toHaveLength(68);
  const copy = await duplicateProject(id, 'A copy');
  const { project: copied, revision } = await freshly(copy);
  expect([copied, revision]).toEqual([{ ...after, id: copy, name: 'A copy' }, 0]);
  await make(copy, { type: 'removePage', page: 'gjoin' });
  expect((await freshly(id)).project).toEqual(after);
  await expect(duplicateProject(randomUUID(), 'None')).rejects.toThrow(/no such project/);
});
