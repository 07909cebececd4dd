import fc from 'fast-check';
import { areaOfUnion } from './area';
import { sortedBy } from './readers';
import { randomFacts } from './sweep/random-facts-for-tests';
import { verdictsBetween, verdictsOn } from './sweep/verdicts';
import type { PageFacts } from './facts';

const FACTS = randomFacts(1, 0);
const SIZE = 14;
const place = fc.integer({ min: 0, max: SIZE - 5 });
const long = fc.integer({ min: 1, max: 5 });
const boxes = fc.array(
  fc
    .tuple(place, place, long, long)
    .map(([left, top, across, down]) => ({ left, top, right: left + across, bottom: top + down })),
  { maxLength: 12 },
);

test('the area of boxes is that of the squares under them, however they lie on each other', () => {
  fc.assert(
    fc.property(boxes, (all) => {
      const squares = Array.from({ length: SIZE * SIZE }, (_, i) => [i % SIZE, Math.floor(i / SIZE)] as const);
      const under = squares.filter(([x, y]) =>
        all.some(({ left, top, right, bottom }) => x >= left && x < right && y >= top && y < bottom),
      );
      expect(areaOfUnion(FACTS, all)).toBe(under.length);
    }),
    { seed: 3, numRuns: 200 },
  );
});

test('where an order changes between two widths it is found at which, though the same fault is found at both', () => {
  const numbers = fc.array(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: -9, max: 9 })), {
    minLength: 2,
    maxLength: 6,
  });
  let changed = 0;
  fc.assert(
    fc.property(numbers, (all) => {
      /** The order as one number. */
      const orderAt = (facts: PageFacts) =>
        sortedBy(facts, [...all.keys()], (i) => all[i]![0] + (all[i]![1] * facts.viewport.width) / 7).reduce(
          (sum, i) => sum * 10 + i,
          0,
        );
      const judge = {
        judge: (facts: PageFacts) => [
          { check: 'order', violation: { element: 'all', amount: orderAt(facts), measured: {}, others: [] } },
        ],
      };
      const at = (width: number): PageFacts => ({ ...FACTS, viewport: { width, height: 180 } });
      const [first] = verdictsOn([judge], at(0));
      const [last] = verdictsOn([judge], at(60));
      verdictsBetween(judge, 0, first!, 60, last!, {
        at,
        doubt: () => {
          throw new Error('an order is never in doubt');
        },
        isDoubtful: () => false,
        tell: (width, [found]) => {
          const is = orderAt(at(width));
          expect([width, found!.violation.amount]).toEqual([width, is]);
          if (is !== orderAt(at(0))) changed++;
        },
      });
    }),
    { seed: 4, numRuns: 100 },
  );
  expect(changed).toBeGreaterThan(100);
});
