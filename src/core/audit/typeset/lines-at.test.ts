import fc from 'fast-check';
import { breakLines } from './break-lines';
import type { LinesAt } from './lines-at';
import { layOut, moveLines } from './lines-at';
import { paragraphOf } from './paragraph-for-tests';

const texts = fc.array(fc.array(fc.integer({ min: 5, max: 70 }), { minLength: 1, maxLength: 12 }), {
  minLength: 1,
  maxLength: 4,
});

/** From where to where each line reaches, px from where the room begins. */
function reachOf({ starts, count, line, left, right }: LinesAt): (readonly [number, number])[] {
  return Array.from(starts, (_, one) => {
    const parts = Array.from({ length: count }, (__, i) => i).filter((i) => line[i] === one);
    return [Math.min(...parts.map((i) => left[i]!)), Math.max(...parts.map((i) => right[i]!))] as const;
  });
}

test('lines begin at the left, or share what is free of the room in which they are, wherever that is moved', () => {
  fc.assert(
    fc.property(
      ...[texts, fc.constantFrom(0, 0.5, 1), fc.integer({ min: 80, max: 400 }), fc.nat({ max: 90 })],
      (all, align, room, more) => {
        const paragraph = paragraphOf(all, { align });
        const { left, right } = paragraph.segments;
        const starts = breakLines(paragraph, room, 0, { near: 'fits' })!;
        const lines = layOut(paragraph, starts, room, true);
        for (const there of [room, room + more]) {
          moveLines(lines, paragraph, there);
          reachOf(lines).forEach(([begin, end], i) => {
            const wide = right[(starts[i + 1] ?? left.length) - 1]! - left[starts[i]!]!;
            const free = Math.max(0, there - wide);
            expect(begin).toBeCloseTo(free * align);
            expect(end).toBeCloseTo(free * align + wide);
          });
        }
      },
    ),
  );
});
