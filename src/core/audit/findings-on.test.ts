import type { Finding } from './sweep/ledger';
import { findingsOn, isWrong } from './findings-on';
import { packed, unpacked } from './sweep/packed';

const finding = (change: Partial<Finding>) =>
  ({ key: 'k', severity: 'poor', widths: [{ from: 320, below: 600 }], ...change }) as Finding;
const range = { first: 320, last: 1920 };

test('notes and what was accepted aren’t wrong', () => {
  expect([finding({}), finding({ severity: 'note' }), finding({ accepted: 'It is meant.' })].map(isWrong)).toEqual([
    true,
    false,
    false,
  ]);
});

test('a device shows what is found at its width and height; beyond all widths the nearest speaks', () => {
  const [narrow, tall] = [finding({}), finding({ heights: [800] })];
  expect(findingsOn([narrow, tall], { width: 400, height: 800 }, range)).toEqual([narrow, tall]);
  expect(findingsOn([narrow, tall], { width: 400, height: 600 }, range)).toEqual([narrow]);
  expect(findingsOn([narrow, tall], { width: 600, height: 800 }, range)).toEqual([]);
  expect(findingsOn([narrow, tall], { width: 212, height: 800 }, range)).toEqual([narrow]);
});

test('neighbouring widths with the same faults travel as one, and come back as they were', () => {
  const one = { check: 'small-text', violation: { element: 'e1', amount: 2, measured: { size: 10 }, others: [] } };
  const results = [
    { width: 320, violations: [one] },
    { width: 321, violations: [one] },
    { width: 322, violations: [{ ...one, violation: { ...one.violation, amount: 3 } }] },
    { width: 323, violations: [] },
    { width: 324, violations: [], sizes: { e1: 10 } },
    { width: 326, violations: [] },
    { width: 327, violations: [] },
  ];
  const packs = packed(results);
  // The first result that they are in, and how many; the amount, and the size: how many, the first, and by how much each is more.
  expect(packs.faults).toMatchObject([
    {
      spans: [0, 3],
      columns: [
        [2, 2, 0, 1, 3, 0],
        [3, 10, 0],
      ],
    },
  ]);
  expect(unpacked(packs)).toEqual(results);
});
