import { DrizzleQueryError } from 'drizzle-orm/errors';
import { z } from 'zod';
import { HttpError } from './errors';
import { DatabaseError } from 'pg';
import { DatabaseAway } from '../db/patient-pool';
import { readBody } from './body';
import { route } from './route';

jest.mock('../logging/log', () => ({ log: { error: jest.fn(), info: jest.fn(), warn: jest.fn() } }));

const schema = z.strictObject({ name: z.string('A name is needed.') });
const handler = route(async (request) => Response.json(await readBody(request, schema)));
const here = { host: '127.0.0.1:1' };
const json = { ...here, 'content-type': 'application/json' };
const ask = async (init: RequestInit, run = handler) => {
  const answer = await run(new Request('http://127.0.0.1:1/api', { method: 'POST', ...init }), { params: Promise.resolve({}) });
  return [answer.status, ((await answer.json()) as { error?: string }).error];
};

test.each<[string, RequestInit, number, RegExp]>([
  ['no JSON', { body: '{', headers: json }, 400, /not readable as JSON/],
  ['another type', { body: '{}', headers: { ...here, 'content-type': 'text/plain' } }, 415, /must be JSON/],
  ['a missing field', { body: '{}', headers: json }, 422, /A name is needed\. \(at name\)/],
  ['an unknown field', { body: '{"name":"x","more":1}', headers: json }, 422, /more/],
  ['a body too large', { body: JSON.stringify({ name: 'x'.repeat(9_000_000) }), headers: json }, 413, /larger than 8 MB/],
  ['another site', { body: '{"name":"x"}', headers: { ...json, origin: 'https://elsewhere.example' } }, 403, /other sites/],
  ['a broken origin', { body: '{"name":"x"}', headers: { ...json, origin: 'null' } }, 403, /other sites/],
])('%s is answered in words', async (_, init, status, words) => {
  expect(await ask(init)).toEqual([status, expect.stringMatching(words)]);
});

test('what fits is handled', async () => {
  expect(
    await ask({ body: '{"name":"x"}', headers: { ...json, origin: 'http://127.0.0.1:1', 'sec-fetch-site': 'same-origin' } }),
  ).toEqual([200, undefined]);
});

test('what breaks here is 500 without its innards but with a number to ask for, a lost database 503 by its type alone', async () => {
  const failing = (error: unknown) =>
    ask(
      { headers: here },
      route(() => Promise.reject(error)),
    );
  expect(await failing(new Error('secret timeout'))).toEqual([
    500,
    expect.stringMatching(/^(?!.*secret).*\(Request [0-9a-f]{8}\)$/),
  ]);
  const query = (cause: Error) => new DrizzleQueryError('select', [], cause);
  const server = (code: string) => Object.assign(new DatabaseError('what it says', 1, 'error'), { code });
  for (const away of [
    Object.assign(new Error('connect'), { code: 'ECONNREFUSED' }),
    new DatabaseAway('x'),
    query(new Error('Connection terminated unexpectedly')),
    query(server('57P01')),
    query(server('08006')),
  ])
    expect(await failing(away)).toEqual([503, expect.stringMatching(/database does not answer/)]);
  for (const fault of [
    query(server('23505')),
    query(new TypeError('x')),
    query(server('57014')),
    new Error('terminated timeout'),
  ])
    expect((await failing(fault))[0]).toBe(500);
  expect(await failing(new HttpError(404, 'There is no such page.'))).toEqual([404, 'There is no such page.']);
});

test.each([
  ['another name', { host: 'rebound.example:1' }, 421],
  ['another port', { host: '127.0.0.1:2' }, 421],
  ['no name', {}, 421],
  ['a page of another site that only reads', { ...here, 'sec-fetch-site': 'cross-site' }, 403],
  ['a page of another port', { ...here, 'sec-fetch-site': 'same-site' }, 403],
  ['an address typed in', { ...here, 'sec-fetch-site': 'none' }, 200],
  ['localhost', { host: 'localhost:1' }, 200],
  ['a name that was let in', { host: 'design.example' }, 200],
])('%s', async (_, headers, status) => {
  process.env.MILLPOND_ADDRESS = '127.0.0.1:1';
  process.env.MILLPOND_HOSTS = 'design.example, other.example';
  const reading = route(() => Promise.resolve(Response.json({})));
  const answer = await reading(new Request('http://127.0.0.1:1/api', { headers: headers as Record<string, string> }), {
    params: Promise.resolve({}),
  });
  delete process.env.MILLPOND_ADDRESS;
  delete process.env.MILLPOND_HOSTS;
  expect(answer.status).toBe(status);
});

test('a body is counted while it streams, and one that doesn’t come to an end is given up', async () => {
  let sent = 0;
  const endless = new ReadableStream<Uint8Array>({
    pull(controller) {
      sent += 100_000;
      controller.enqueue(new Uint8Array(100_000).fill(32));
    },
  });
  const streamed = (body: ReadableStream) => ({ body, headers: json, duplex: 'half' }) as unknown as RequestInit;
  expect(await ask(streamed(endless))).toEqual([413, expect.stringMatching(/larger than 8 MB/)]);
  expect(sent).toBeLessThan(9_000_000);
  const silent = route(async (request) => Response.json(await readBody(request, schema, 30)));
  expect(await ask(streamed(new ReadableStream({})), silent)).toEqual([408, expect.stringMatching(/too long to arrive/)]);
});
