import type { Socket } from 'node:net';
import { sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/node-postgres';
import type { PoolClient } from 'pg';
import { isAway, PatientPool } from '@/server/db/patient-pool';

const clients: PoolClient[] = [];
let pool: PatientPool;
beforeEach(() => {
  pool = new PatientPool({ connectionString: process.env.DATABASE_URL!, max: 2 });
  pool.on('connect', (client) => clients.push(client));
});
afterEach(async () => {
  clients.length = 0;
  await pool.end();
});

const error = (work: Promise<unknown>) =>
  work.then(
    () => undefined,
    (one: unknown) => one,
  );

/** As when the server is killed: the connection is simply gone. */
const cut = () =>
  clients.forEach((client) => (client as unknown as { connection: { stream: Socket } }).connection.stream.destroy());

test.each([
  ['a query', () => pool.ask('select pg_sleep(30)', [])],
  ['a query through Drizzle', () => drizzle(pool).execute(sql`select pg_sleep(30)`)],
  ['a transaction', () => drizzle(pool).transaction((inside) => inside.execute(sql`select pg_sleep(30)`))],
])('%s whose connection breaks says that the database was away', async (_, work) => {
  const failed = error(work());
  while (
    !clients.some((client) =>
      (client as unknown as { _getActiveQuery(): { text?: string } | null })._getActiveQuery()?.text?.includes('sleep'),
    )
  )
    await new Promise((done) => setTimeout(done, 5));
  cut();
  expect(isAway(await failed)).toBe(true);
});

test('a connection that broke while nothing was asked of it is replaced', async () => {
  await pool.ask('select 1', []);
  cut();
  expect((await pool.ask('select 2 as two', [])).rows).toEqual([{ two: 2 }]);
});

test('a query on a connection that is known to be broken says so, too', async () => {
  const client = await pool.connect();
  cut();
  await new Promise((done) => client.once('end', done));
  jest.spyOn(pool, 'query').mockImplementation(((text: string) => client.query(text)) as never);
  expect(isAway(await error(pool.ask('select 1', [])))).toBe(true);
  client.release(true);
});

test('what the statement itself did wrong is no fault of the connection', async () => {
  expect(isAway(await error(pool.ask('select nothing_such', [])))).toBe(false);
  expect(isAway(await error(drizzle(pool).execute(sql`select nothing_such`)))).toBe(false);
  // Thrown by our own code.
  expect(isAway(new Error('not queryable'))).toBe(false);
});
