import { sql } from 'drizzle-orm';
import type { Edit } from '@/core/edits';
import { EMPTY_HISTORY } from '@/core/edits';
import { database } from '@/server/db/client';
import { makeEdits } from '@/server/store/edit-log';
import { DamagedProject, forget, loadProject } from '@/server/store/documents';
import { damageOf, everythingOf, goBack } from '@/server/store/recovery';
import { GET as getProject } from '@/app/api/projects/[id]/route';
import { POST as postEdits } from '@/app/api/projects/[id]/edits/route';
import { HERE, closeDatabase, colour, freshly, incoming, make, newEmpty } from './projects';

jest.mock('@/server/logging/log', () => ({ log: { error: jest.fn(), warn: jest.fn(), info: jest.fn() } }));
afterAll(closeDatabase);

const parameters = (id: string) => ({ params: Promise.resolve({ id }) });
const insert = (id: string, tag: string, parent = 'efirstmain'): Edit => ({
  type: 'insertElement',
  page: 'gfirst',
  parent,
  index: 0,
  elements: [{ id, tag, name: tag, attributes: {}, children: [], shared: [], styles: {} }],
});

/** A project whose page was stored with a link in a link, as an earlier version let it; its log says how it came about. */
async function linkInLink(): Promise<string> {
  const id = await newEmpty();
  await make(id, insert('eouter', 'a'), colour('efirsth', 'red'));
  const { revision } = await freshly(id);
  const inner = insert('einner', 'a', 'eouter');
  await database().execute(sql`
    insert into edits (project_id, revision, edit_id, kind, edit, inverse) values
      (${id}, ${revision + 1}, gen_random_uuid(), 'do', ${JSON.stringify(inner)}::jsonb, ${JSON.stringify({ type: 'removeElement', node: 'einner' })}::jsonb)`);
  await database().execute(sql`
    insert into project_parts (project_id, part, revision, document)
    select project_id, part, ${revision + 1}, document from project_parts where project_id = ${id} and part = 'project'`);
  await database().execute(sql`
    insert into project_parts (project_id, part, revision, document)
    select project_id, part, ${revision + 1}, jsonb_set(jsonb_set(jsonb_set(document,
      '{elements,efirsth,styles}', '{"base":{"color":"red"}}'),
      '{elements,efirstmain,children}', '["eouter","efirsth","efirstp"]'),
      '{elements}', jsonb_set(document->'elements', '{efirstmain,children}', '["eouter","efirsth","efirstp"]') || '{
        "eouter":{"id":"eouter","tag":"a","name":"a","attributes":{},"children":["einner"],"shared":[],"styles":{}},
        "einner":{"id":"einner","tag":"a","name":"a","attributes":{},"children":[],"shared":[],"styles":{}}}')
    from project_parts where project_id = ${id} and part = 'page gfirst'`);
  await database().execute(sql`update projects set revision = ${revision + 1}, snapshot = ${revision + 1} where id = ${id}`);
  forget(id);
  return id;
}

/** Ways in which what is stored can be unreadable, each with the newest revision that can be read. */
const WAYS: readonly (readonly [string, () => Promise<string>, number, RegExp])[] = [
  ['a link in a link', linkInLink, 2, /can't stand inside another link/],
  [
    'a page that is gone',
    async () => {
      const id = await newEmpty();
      await make(id, colour('efirsth', 'red'));
      await database().execute(sql`delete from project_parts where project_id = ${id} and part like 'page%'`);
      return id;
    },
    -1,
    /./,
  ],
  [
    'a later snapshot that is spoilt',
    async () => {
      const id = await newEmpty();
      await make(id, ...Array.from({ length: 70 }, (_, i) => colour('efirsth', `rgb(${i} 0 0)`)));
      await database().execute(
        sql`update project_parts set document = document || '{"root":"egone"}' where project_id = ${id} and part = 'page gfirst' and revision > 0`,
      );
      return id;
    },
    70,
    /begins with <body>/,
  ],
  [
    'an edit that can no longer be made',
    async () => {
      const id = await newEmpty();
      await make(id, colour('efirsth', 'red'), colour('efirsth', 'blue'));
      await database().execute(
        sql`update edits set edit = '{"type":"setText","node":"egone","text":"x"}' where project_id = ${id} and revision = 2`,
      );
      return id;
    },
    1,
    /revision 2 can't be made again/,
  ],
  [
    'a log with a hole',
    async () => {
      const id = await newEmpty();
      await make(id, colour('efirsth', 'red'), colour('efirsth', 'blue'), colour('efirsth', 'green'));
      await database().execute(sql`delete from edits where project_id = ${id} and revision = 2`);
      return id;
    },
    1,
    /missing/,
  ],
  [
    'a newer version of the schema',
    async () => {
      const id = await newEmpty();
      await database().execute(
        sql`update project_parts set document = document || '{"schema":99}' where project_id = ${id} and part = 'project'`,
      );
      return id;
    },
    -1,
    /newer Mill Pond/,
  ],
];

test.each(WAYS)(
  '%s: the newest readable revision is shown, with what is wrong, and can be gone back to',
  async (_, damaged, revision, reason) => {
    const id = await damaged();
    forget(id);
    await expect(loadProject(database(), id)).rejects.toThrow(DamagedProject);
    const answer = await getProject(new Request('http://127.0.0.1:1/', { headers: HERE }), parameters(id));
    expect(answer.status).toBe(200);
    const shown = (await answer.json()) as { revision?: number; damage: { reason: string } };
    expect(shown.damage.reason).toMatch(reason);
    expect(shown.revision ?? -1).toBe(revision);
    // Nothing can be written on top of what can't be read.
    const request = new Request('http://127.0.0.1:1/', {
      method: 'POST',
      headers: { ...HERE, 'content-type': 'application/json' },
      body: JSON.stringify({ revision: 0, edits: [incoming(colour('efirsth', 'red'))] }),
    });
    expect((await postEdits(request, parameters(id))).status).toBe(422);
    expect((await everythingOf(id)).project.id).toBe(id);
    if (revision < 0) return expect(goBack(id)).rejects.toThrow(/No revision of this project can be read/);
    const damage = (await damageOf(id))!;
    const back = await goBack(id);
    expect(back.revision).toBe(damage.revision + 1);
    const state = await freshly(id);
    expect([state.project, state.history]).toEqual([damage.readable!.project, EMPTY_HISTORY]);
    // Work goes on from there, and undo stops there.
    const edited = await makeEdits(id, { revision: back.revision, edits: [incoming(colour('efirstp', 'navy'))] });
    expect(edited.refused).toEqual([]);
    expect((await freshly(id)).history.undo).toHaveLength(1);
    expect(await damageOf(id)).toBeUndefined();
  },
);
