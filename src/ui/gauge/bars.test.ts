import type { Finding } from '@/core/audit';
import type { IntervalSet } from '@/core/breakpoints';
import { barsOf } from './FindingsTrack';
import { edgeFor } from './edge';
import { entryOf } from '@/core/remedy';
import { countEntries } from '../findings/count-entries';

const finding = (check: string, element: string, severity: Finding['severity'], widths: IntervalSet): Finding => ({
  key: `${check} ${element}`,
  check,
  severity,
  element,
  widths,
  worst: { width: widths[0]!.from, violation: { element, amount: 1, measured: {}, others: [] } },
});

test('bars of one row never overlap; the same fault on the same stretch is one bar', () => {
  const bars = barsOf([
    finding('a', 'e1', 'broken', [
      { from: 320, below: 600 },
      { from: 900, below: 950 },
    ]),
    finding('a', 'e2', 'broken', [{ from: 320, below: 600 }]),
    finding('b', 'e1', 'note', [{ from: 500, below: 700 }]),
    finding('c', 'e1', 'note', [{ from: 600, below: 900 }]),
  ]);
  expect(bars.map(({ from, row, count }) => [from, row, count])).toEqual([
    [320, 0, 2],
    [900, 0, 1],
    [500, 1, 1],
    [600, 0, 1],
  ]);
});

test('findings are counted in words, by cause and by element', () => {
  const one = finding('a', 'e1', 'broken', [{ from: 320, below: 600 }]);
  const note = { ...one, severity: 'note' as const };
  expect(countEntries([])).toBe('none');
  expect(countEntries([entryOf([one]), entryOf([note])])).toBe('1 broken · 1 note');
  expect(countEntries([entryOf([one, finding('a', 'e2', 'broken', [{ from: 320, below: 600 }])]), entryOf([note])])).toBe(
    '1 broken (2) · 1 note',
  );
});

test('a post put at a width holds that whole pixel, and stays within limits', () => {
  expect([edgeFor('below', 742.4), edgeFor('from', 742.4), edgeFor('below', 3), edgeFor('from', 1e6)]).toEqual([
    743, 742, 241, 9999,
  ]);
});
