import fc from 'fast-check';
import { stretchesOf } from './stretches';

const anySweep = fc.record({
  first: fc.integer({ min: 200, max: 900 }),
  count: fc.integer({ min: 1, max: 1700 }),
  edges: fc.array(fc.integer({ min: 200, max: 2600 }), { maxLength: 6 }),
  bends: fc.array(fc.integer({ min: 200, max: 2600 }), { maxLength: 3 }),
  near: fc.integer({ min: 100, max: 2700 }),
});

test('stretches hold every width, share their ends or lie beside each other, and none reaches over an edge', () => {
  fc.assert(
    fc.property(anySweep, ({ first, count, edges, bends, near }) => {
      const widths = Array.from({ length: count }, (_, i) => first + i);
      const last = widths[count - 1]!;
      const ordered = stretchesOf({ widths, edges, bends, near }, 2600).toSorted((a, b) => a.first - b.first || a.last - b.last);
      expect(ordered[0]!.first).toBe(first);
      expect(ordered.at(-1)!.last).toBe(last);
      ordered.forEach((stretch, i) => {
        const next = ordered[i + 1];
        if (next) expect([stretch.last, stretch.last + 1]).toContain(next.first);
        expect(stretch.last - stretch.first).toBeLessThanOrEqual(512);
        for (const edge of [...edges, ...bends]) expect(stretch.first < edge && edge <= stretch.last).toBe(false);
        expect(stretch.top).toBeGreaterThanOrEqual(stretch.last);
      });
    }),
  );
});

test('the first is short and around the width that is looked at, the narrowest comes next', () => {
  const widths = Array.from({ length: 1601 }, (_, i) => 320 + i);
  const [one, two] = stretchesOf({ widths, edges: [600, 900], near: 1280 }, 1920);
  expect(one!.last - one!.first).toBe(48);
  expect(one!.first <= 1280 && 1280 <= one!.last).toBe(true);
  expect(two!.first).toBe(320);
});
