import fc from 'fast-check';
import type { WidthResult } from './ledger';
import { packed, unpacked } from './packed';

const violation = fc.record({
  element: fc.constantFrom('ea', 'eb', 'ec'),
  amount: fc.constantFrom(0.5, 1, 1 / 3, 20),
  measured: fc.constantFrom<Record<string, number>>({}, { size: 11 }, { size: 11.25, least: 12 }, { size: 12, least: 12 }),
  others: fc.constantFrom<string[]>([], ['ea'], ['eb', 'ec']),
});
const found = fc.record(
  { check: fc.constantFrom('small-text', 'long-lines'), violation, sample: fc.constantFrom('t1 s1') },
  { requiredKeys: ['check', 'violation'] },
);
/** Much is told by the same object at several widths. */
const results = fc
  .array(found, { minLength: 1, maxLength: 6 })
  .chain((pool) => {
    const violations = fc.array(fc.constantFrom(...pool), { maxLength: 5 });
    return fc.array(fc.record({ violations, gap: fc.constantFrom(1, 1, 1, 7) }), { maxLength: 30 });
  })
  .map((list) => {
    let width = 320;
    return list.map(({ violations, gap }): WidthResult => ({ width: (width += gap), violations }));
  });

/** What is said, without the order in which it is. */
const said = (list: readonly WidthResult[]) =>
  list.map(({ width, violations }) => [
    width,
    violations
      .map(({ violation: { amount, ...one }, ...rest }) => JSON.stringify({ ...rest, one, amount: Math.round(amount * 1e3) }))
      .map((text) => JSON.stringify(Object.entries(JSON.parse(text) as object).sort()))
      .sort(),
  ]);

test('results come out as they went in, to a thousandth', () => {
  fc.assert(fc.property(results, (list) => expect(said(unpacked(packed(list)))).toEqual(said(list))));
});

test('what is the same of many widths travels once', () => {
  const one = { check: 'small-text', violation: { element: 'ea', amount: 1, measured: { size: 11 }, others: [] } };
  const many = Array.from({ length: 500 }, (_, i): WidthResult => ({ width: 320 + i, violations: [{ ...one }] }));
  expect(packed(many).faults).toMatchObject([
    {
      element: 'ea',
      spans: [0, 500],
      columns: [
        [500, 1, 0],
        [500, 11, 0],
      ],
    },
  ]);
});
