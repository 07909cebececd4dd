import fc from 'fast-check';
import { areaOfUnion } from '../area';
import { emptyScreen } from './empty-screen';
import { facts } from './facts-for-tests';

const [WIDE, HIGH] = [1000, 800];
const tens = (max: number) => fc.integer({ min: 0, max }).map((one) => one * 10);
const pictures = fc.array(fc.tuple(tens(WIDE / 10), tens(HIGH / 10), tens(60), tens(50)), { maxLength: 9 });

test('a screen is empty where all that stands in it covers too little, however it lies on each other', () => {
  const said = { empty: 0, full: 0 };
  fc.assert(
    fc.property(pictures, fc.integer({ min: 40, max: 95 }), (all, most) => {
      const page = facts(
        WIDE,
        all.map((box, i) => ({ id: `i${i}`, tag: 'img', box, hidden: box[2] === 0 || box[3] === 0 })),
      );
      const inside = all.map(([left, top, across, down]) => ({
        left,
        top,
        right: Math.min(WIDE, left + across),
        bottom: Math.min(HIGH, top + down),
      }));
      const empty = 1 - areaOfUnion(page, inside) / (WIDE * HIGH);
      fc.pre(Math.abs(empty * 100 - most) > 1e-9);
      const found = emptyScreen.judge(page, { most });
      said[found.length > 0 ? 'empty' : 'full']++;
      expect(found).toHaveLength(empty * 100 > most ? 1 : 0);
      if (found[0]) expect(found[0].amount).toBeCloseTo(empty * 100 - most, 6);
    }),
    {
      numRuns: 500,
      // Beside a high one a low one, under which it goes on.
      examples: [
        [
          [
            [0, 0, 500, 600],
            [500, 0, 100, 10],
            [0, 10, 500, 590],
          ],
          50,
        ],
      ],
    },
  );
  expect(Math.min(said.empty, said.full)).toBeGreaterThan(50);
});
