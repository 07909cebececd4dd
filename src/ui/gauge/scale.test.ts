import fc from 'fast-check';
import { FULL, gaugeScale, place, ticks, zoomed } from './scale';

const scale = gaugeScale(FULL, 1040);

test('place and width are inverse to each other', () => {
  fc.assert(
    fc.property(fc.double({ min: 240, max: 2560, noNaN: true }), (width) => Math.abs(scale.width(scale.x(width)) - width) < 1e-6),
  );
});

test('each doubling takes the same room', () => {
  expect(scale.x(640) - scale.x(320)).toBeCloseTo(scale.x(2560) - scale.x(1280));
});

test('stretches are cut at the ends of the axis', () => {
  expect(place(scale, 0, Infinity)).toEqual({ left: 0, width: 1040 });
  expect(place(scale, 3000, Infinity)).toBeUndefined();
  expect(place(scale, 100, 200)).toBeUndefined();
  const part = place(scale, 600, 900)!;
  expect(part.left).toBeCloseTo(scale.x(600));
  expect(part.left + part.width).toBeCloseTo(scale.x(900));
});

test('ticks are round, ascending, apart, and inside', () => {
  for (const domain of [FULL, { from: 590, to: 660 }, { from: 240, to: 500 }]) {
    const one = gaugeScale(domain, 1040);
    const list = ticks(one);
    expect(list.length).toBeGreaterThan(4);
    list.forEach((tick, i) => {
      expect(tick).toBeGreaterThanOrEqual(domain.from);
      expect(tick).toBeLessThanOrEqual(domain.to);
      if (i > 0) expect(one.x(tick) - one.x(list[i - 1]!)).toBeGreaterThan(40);
    });
  }
});

test('zooming in and out stays inside the full scale', () => {
  const near = zoomed(FULL, 600, 0.5);
  expect(near.from).toBeGreaterThan(FULL.from);
  expect(near.to).toBeLessThan(FULL.to);
  const far = zoomed(near, 600, 100);
  expect(far.from).toBe(FULL.from);
  expect(far.to).toBe(FULL.to);
});
