import fc from 'fast-check';
import { z } from 'zod';
import { listOf, malformedAt, sameJson } from './index';

test('what JSONB refuses is found wherever it stands, in names of fields too', () => {
  expect(malformedAt({ a: ['x', { b: 'y\u0000' }] })).toBe('a.1.b');
  expect(malformedAt({ 'a\ud800': 1 })).toMatch(/^a/);
  expect(malformedAt(['fine', 7, null, { ok: '😀' }])).toBeUndefined();
  const deep = Array.from({ length: 200 }).reduce<unknown>((inner) => [inner], 'x');
  expect(malformedAt(deep)).toBeDefined();
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), (text) => {
      const kept = !text.includes('\0') && encodable(text);
      expect(malformedAt({ text }) === undefined).toBe(kept);
    }),
  );
});

/** Whether a text survives UTF-8, which half of a pair doesn't. */
const encodable = (text: string) => new TextDecoder().decode(new TextEncoder().encode(text)) === text.replace(/^\ufeff/, '');

test('plain values say the same in whatever order their fields stand, and only then', () => {
  const shuffled = (value: unknown): unknown =>
    Array.isArray(value)
      ? value.map(shuffled)
      : typeof value === 'object' && value !== null
        ? Object.fromEntries(
            Object.entries(value)
              .reverse()
              .map(([key, inner]) => [key, shuffled(inner)]),
          )
        : value;
  fc.assert(
    fc.property(fc.jsonValue(), (value) => expect(sameJson(value, shuffled(JSON.parse(JSON.stringify(value))))).toBe(true)),
  );
  fc.assert(
    fc.property(fc.jsonValue(), fc.jsonValue(), (a, b) => {
      const sorted = (value: unknown): string =>
        JSON.stringify(value, (_, inner: unknown) =>
          typeof inner === 'object' && inner !== null && !Array.isArray(inner)
            ? Object.fromEntries(Object.entries(inner).sort(([x], [y]) => (x < y ? -1 : 1)))
            : inner,
        );
      expect(sameJson(a, b)).toBe(sorted(a) === sorted(b));
    }),
  );
  expect(sameJson({ a: undefined, b: 1 }, { b: 1 })).toBe(true);
  expect([sameJson([], {}), sameJson({ a: 1 }, { a: 1, b: 2 }), sameJson(null, {})]).toEqual([false, false, false]);
});

test('a list is read up to the first entry that is wrong', () => {
  let read = 0;
  const counted = z.number().transform((value) => (read++, value));
  const list = listOf(counted, 4, 'Too many.');
  expect(list.parse([1, 2])).toEqual([1, 2]);
  read = 0;
  expect(list.safeParse([1, 'x', 3, 4]).error!.issues).toMatchObject([{ path: [1] }]);
  expect(read).toBe(1);
  expect(list.safeParse([1, 2, 3, 4, 5]).error!.issues[0]!.message).toBe('Too many.');
});
