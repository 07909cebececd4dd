import type { WidthResult } from './ledger';
import { Ledger, SWEEP_RANGE } from './ledger';
import { CHUNK, planSweep } from './plan';

const at = (width: number, amounts: Record<string, number>): WidthResult => ({
  width,
  violations: Object.entries(amounts).map(([key, amount]) => {
    const [check, element] = key.split(' ') as [string, string];
    return { check, violation: { element, amount, measured: {}, others: [] } };
  }),
});

test('point results become exact intervals with their worst width', () => {
  const ledger = new Ledger();
  ledger.record([
    at(321, { 'small-text ea': 2 }),
    at(320, { 'small-text ea': 1 }),
    at(322, {}),
    at(323, { 'small-text ea': 1 }),
  ]);
  const [finding] = ledger.findings();
  expect(finding).toMatchObject({ check: 'small-text', severity: 'note', element: 'ea', worst: { width: 321 } });
  expect(finding!.widths).toEqual([{ from: 320, below: 322 }, { from: 323, below: 324 }]); // prettier-ignore
});

test('findings are sorted by severity', () => {
  const ledger = new Ledger();
  ledger.record([at(320, { 'small-text ea': 1, 'wrapped-label eb': 2, 'sideways-scroll ec': 3 })]);
  expect(ledger.findings().map((finding) => finding.severity)).toEqual(['broken', 'poor', 'note']);
});

test('after an edit only its widths are missing; what was found there is told until they are measured again', () => {
  const ledger = new Ledger();
  const all = ledger.missing();
  expect([all[0], all[all.length - 1], all.length]).toEqual([SWEEP_RANGE.first, SWEEP_RANGE.last, 1601]);
  ledger.record(all.map((width) => at(width, width < 600 ? { 'small-text ea': 1 } : {})));
  ledger.invalidate([{ from: 0, below: 600 }]);
  expect(ledger.missing()).toEqual(all.filter((width) => width < 600));
  expect(ledger.decided).toBe(1601 - 280);
  expect(ledger.findings()).toHaveLength(1);
  ledger.record(ledger.missing().map((width) => at(width, {})));
  expect(ledger.findings()).toEqual([]);
  expect(ledger.missing()).toEqual([]);
});

test('a sweep measures every width once, nearest chunk first', () => {
  const widths = Array.from({ length: 1601 }, (_, i) => 320 + i);
  const chunks = planSweep(widths, 742);
  expect(chunks.flat().sort((a, b) => a - b)).toEqual(widths);
  expect(chunks[0]).toContain(742);
  expect(Math.max(...chunks.map((chunk) => chunk.length))).toBe(CHUNK);
});
