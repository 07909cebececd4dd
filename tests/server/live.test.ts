import { sql } from 'drizzle-orm';
import { GET as getEvents } from '@/app/api/projects/[id]/events/route';
import type { Arrived } from '@/core/edits';
import { database } from '@/server/db/client';
import { makeEdits } from '@/server/store/edit-log';
import { goBack } from '@/server/store/recovery';
import { HERE, closeDatabase, colour, freshly, incoming, make, newEmpty } from './projects';

jest.mock('@/server/logging/log', () => ({ log: { error: jest.fn(), warn: jest.fn(), info: jest.fn() } }));

const open: AbortController[] = [];
afterEach(() => {
  for (const one of open.splice(0)) one.abort();
});
afterAll(async () => {
  // The listening connection ends with the last stream.
  await database().execute(sql`select pg_terminate_backend(pid) from pg_stat_activity where query like 'listen%'`);
  await closeDatabase();
});

/** A window that listens; what it hears is kept. */
async function listen(id: string, since = 0, last?: number) {
  const stop = new AbortController();
  open.push(stop);
  const headers = last === undefined ? undefined : { 'last-event-id': String(last) };
  const request = new Request(`http://127.0.0.1:1/?since=${since}`, { signal: stop.signal, headers: { ...HERE, ...headers } });
  const answer = await getEvents(request, { params: Promise.resolve({ id }) });
  const heard: Arrived[] = [];
  const reader = answer.body!.getReader();
  void (async () => {
    let rest = '';
    for (;;) {
      const { value, done } = await reader.read();
      if (done) return;
      const events = (rest + new TextDecoder().decode(value)).split('\n\n');
      rest = events.pop()!;
      for (const event of events) {
        const data = /^data: (.*)$/m.exec(event)?.[1];
        if (data) heard.push(...(JSON.parse(data) as { entries: Arrived[] }).entries);
      }
    }
  })();
  return { answer, heard, stop };
}

async function until(holds: () => boolean, what: string): Promise<void> {
  for (let waited = 0; !holds(); waited += 20) {
    if (waited > 20_000) throw new Error(`It never came to: ${what}`);
    await new Promise((done) => setTimeout(done, 20));
  }
}

test('every window hears of every edit once and in order', async () => {
  const id = await newEmpty();
  await make(id, colour('efirsth', 'red'));
  const [a, b] = [await listen(id), await listen(id, 1)];
  expect(a.answer.headers.get('content-type')).toBe('text/event-stream');
  await until(() => a.heard.length === 1, 'what was before');
  await Promise.all(
    Array.from({ length: 10 }, (_, i) => makeEdits(id, { revision: 1, edits: [incoming(colour('efirstp', `rgb(${i} 0 0)`))] })),
  );
  await until(() => a.heard.length === 11 && b.heard.length === 10, 'all ten');
  expect(a.heard.map(({ revision }) => revision)).toEqual(Array.from({ length: 11 }, (_, i) => i + 1));
  expect(b.heard.map(({ revision }) => revision)).toEqual(Array.from({ length: 10 }, (_, i) => i + 2));
  expect(b.heard).toEqual(a.heard.slice(1));
  expect(b.heard.every((entry) => 'edit' in entry)).toBe(true);
});

test('a window that lost the connection is told what it missed', async () => {
  const id = await newEmpty();
  await make(id, colour('efirsth', 'red'), colour('efirsth', 'blue'), colour('efirsth', 'green'));
  const { heard } = await listen(id, 0, 2);
  await until(() => heard.length === 1, 'the third');
  expect(heard[0]!.revision).toBe(3);
});

test('a server that lost its connection to the database hears again, and nothing is left out', async () => {
  const id = await newEmpty();
  const { heard } = await listen(id);
  await make(id, colour('efirsth', 'red'));
  await until(() => heard.length === 1, 'the first');
  await database().execute(sql`select pg_terminate_backend(pid) from pg_stat_activity where query like 'listen%'`);
  await make(id, colour('efirsth', 'blue'));
  await make(id, colour('efirsth', 'green'));
  await until(() => heard.length === 3, 'all three');
  await make(id, colour('efirsth', 'navy'));
  await until(() => heard.length === 4, 'the one after');
  expect(heard.map(({ revision }) => revision)).toEqual([1, 2, 3, 4]);
});

test('going back to an earlier revision is heard of too', async () => {
  const id = await newEmpty();
  await make(id, colour('efirsth', 'red'));
  const { heard } = await listen(id, 1);
  await database().execute(sql`update edits set edit = '{"type":"setText","node":"egone","text":"x"}' where project_id = ${id}`);
  await goBack(id);
  await until(() => heard.length === 1, 'the restart');
  expect(heard[0]).toMatchObject({ revision: 2, kind: 'restart' });
  expect((await freshly(id)).revision).toBe(2);
});

test.each([
  ['no revision', 'since=x', 422],
  ['one before the first', 'since=-1', 422],
])('a listener that names %s is refused in words', async (_, query, status) => {
  const id = await newEmpty();
  const answer = await getEvents(new Request(`http://127.0.0.1:1/?${query}`, { headers: HERE }), {
    params: Promise.resolve({ id }),
  });
  expect([answer.status, ((await answer.json()) as { error: string }).error.length > 0]).toEqual([status, true]);
});
