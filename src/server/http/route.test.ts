import { z } from 'zod';
import { HttpError } from './errors';
import { readBody, route } from './route';

jest.mock('./log', () => ({ log: { error: jest.fn() } }));

const schema = z.strictObject({ name: z.string('A name is needed.') });
const handler = route(async (request) => Response.json(await readBody(request, schema)));
const json = { 'content-type': 'application/json' };
const ask = async (init: RequestInit, run = handler) => {
  const answer = await run(new Request('http://127.0.0.1:1/api', { method: 'POST', ...init }), { params: Promise.resolve({}) });
  return [answer.status, ((await answer.json()) as { error?: string }).error];
};

test.each<[string, RequestInit, number, RegExp]>([
  ['no JSON', { body: '{', headers: json }, 400, /not readable as JSON/],
  ['another type', { body: '{}', headers: { 'content-type': 'text/plain' } }, 415, /must be JSON/],
  ['a missing field', { body: '{}', headers: json }, 422, /A name is needed\. \(at name\)/],
  ['an unknown field', { body: '{"name":"x","more":1}', headers: json }, 422, /more/],
  ['a body too large', { body: JSON.stringify({ name: 'x'.repeat(9_000_000) }), headers: json }, 413, /larger than 8 MB/],
  [
    'another site',
    { body: '{"name":"x"}', headers: { ...json, origin: 'https://elsewhere.example', host: '127.0.0.1:1' } },
    403,
    /other sites/,
  ],
  ['a broken origin', { body: '{"name":"x"}', headers: { ...json, origin: 'null', host: '127.0.0.1:1' } }, 403, /other sites/],
])('%s is answered in words', async (_, init, status, words) => {
  expect(await ask(init)).toEqual([status, expect.stringMatching(words)]);
});

test('what fits is handled', async () => {
  expect(await ask({ body: '{"name":"x"}', headers: { ...json, origin: 'http://127.0.0.1:1', host: '127.0.0.1:1' } })).toEqual([
    200,
    undefined,
  ]);
});

test('what breaks here is 500 without its innards, a lost database 503, a refusal what it says', async () => {
  const failing = (error: unknown) => route(() => Promise.reject(error));
  expect(await ask({}, failing(new Error('secret')))).toEqual([500, expect.not.stringMatching(/secret/)]);
  const lost = Object.assign(new Error('query failed'), { cause: Object.assign(new Error('connect'), { code: 'ECONNREFUSED' }) });
  expect(await ask({}, failing(lost))).toEqual([503, expect.stringMatching(/database does not answer/)]);
  expect(await ask({}, failing(new HttpError(404, 'There is no such page.')))).toEqual([404, 'There is no such page.']);
});
