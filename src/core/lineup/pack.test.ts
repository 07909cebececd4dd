import fc from 'fast-check';
import { fitZoom, LEGIBLE, packFrames } from './pack';

const size = fc.record({ width: fc.integer({ min: 1, max: 900 }), height: fc.integer({ min: 1, max: 900 }) });
const sizes = fc.array(size, { minLength: 1, maxLength: 14 });
const GAP = 20;

test('packed frames keep their distance, stay in the room, and none could stand higher where it is', () => {
  fc.assert(
    fc.property(sizes, fc.integer({ min: 100, max: 2000 }), (items, room) => {
      const { places, width, height } = packFrames(items, room, GAP);
      const boxes = items.map((item, i) => ({ ...item, ...places[i]! }));
      expect(width).toBeLessThanOrEqual(Math.max(room, ...items.map((item) => item.width)));
      for (const [i, a] of boxes.entries()) {
        expect(a.left).toBeGreaterThanOrEqual(0);
        expect(a.left + a.width).toBeLessThanOrEqual(width);
        expect(a.top + a.height).toBeLessThanOrEqual(height);
        for (const b of boxes.slice(0, i)) {
          const apart =
            a.left + a.width + GAP <= b.left ||
            b.left + b.width + GAP <= a.left ||
            a.top + a.height + GAP <= b.top ||
            b.top + b.height + GAP <= a.top;
          expect(apart).toBe(true);
        }
        // Something holds it where it is: the top, or the foot of one before it.
        const held = boxes
          .slice(0, i)
          .some((b) => b.top + b.height + GAP === a.top && b.left < a.left + a.width + GAP && a.left < b.left + b.width + GAP);
        expect(a.top === 0 || held).toBe(true);
      }
    }),
  );
});

test('short frames leave no hole under them', () => {
  const { places } = packFrames(
    [
      { width: 100, height: 100 },
      { width: 100, height: 400 },
      { width: 100, height: 100 },
    ],
    220,
    GAP,
  );
  expect(places[2]).toEqual({ left: 0, top: 120 });
});

test('the fitting zoom shows all frames at once, or is still legible and no wider than it must be', () => {
  fc.assert(
    fc.property(sizes, size, (frames, room) => {
      const zoom = fitZoom(frames, room, GAP, 60);
      expect(zoom).toBeGreaterThanOrEqual(LEGIBLE);
      expect(zoom).toBeLessThanOrEqual(1);
      const at = (factor: number) =>
        packFrames(
          frames.map((one) => ({ width: one.width * factor, height: one.height * factor + 60 })),
          room.width,
          GAP,
        );
      const fits = (factor: number) => at(factor).width <= room.width && at(factor).height <= room.height;
      if (fits(LEGIBLE)) expect(fits(zoom)).toBe(true);
    }),
  );
  expect(fitZoom([], { width: 100, height: 100 }, GAP, 60)).toBe(1);
  expect(fitZoom([{ width: 300, height: 300 }], { width: 800, height: 800 }, GAP, 60)).toBe(1);
});
