import fc from 'fast-check';
import { Level } from '../facts';
import type { Drawn } from './facts-for-tests';
import { facts } from './facts-for-tests';
import { overlappingText } from './overlapping-text';

const TYPE = 16;
const lines = fc.array(fc.tuple(...[160, 120, 60].map((max) => fc.integer({ min: 0, max }))), { minLength: 0, maxLength: 4 });
/** Texts of blocks, of what stands in their lines, and of blocks that stand in them. */
const kind = fc.constantFrom('block', 'block', 'inline', 'inside');
const texts = fc.array(fc.tuple(kind, lines), { minLength: 2, maxLength: 9 });

/** How far letters of two texts lie on each other at most, px, of each line with each. */
function overlap(a: readonly (readonly number[])[], b: readonly (readonly number[])[]): number {
  let most = 0;
  for (const [x, y, wide] of a)
    for (const [left, top, across] of b) {
      const over = [Math.min(x! + wide!, left! + across!) - Math.max(x!, left!), TYPE - Math.abs(y! - top!)];
      if (over.every((one) => one > 2)) most = Math.max(most, ...[Math.min(...over)]);
    }
  return most;
}

test('of every two texts it is found how far any lines of them lie on each other', () => {
  let found = 0;
  fc.assert(
    fc.property(texts, (all) => {
      // The block before it that stands in none.
      const around = all.map(([own], i) =>
        own === 'block' ? -1 : all.slice(0, i).findLastIndex(([other]) => other === 'block'),
      );
      const textOf = (i: number) => (all[i]![0] === 'inline' && around[i]! >= 0 ? around[i]! : i);
      const drawn = all.map(([, own], i): Drawn => ({
        id: `t${i}`,
        ...(around[i]! >= 0 && { in: `t${around[i]}` }),
        box: [0, 0, 300, 300],
        lines: own.map(([x, y, wide]) => [x!, y!, wide!, TYPE]),
      }));
      const page = facts(400, drawn);
      all.forEach((_, i) => textOf(i) !== i && (page.level[i + 1] = Level.inline));
      const expected = all.flatMap(([, own], i) => {
        const others = all.filter((_, j) => j > i && textOf(i) !== textOf(j) && around[j] !== i);
        const most = Math.max(0, ...others.map(([, other]) => overlap(own, other)));
        return most > 0 ? [[`t${i}`, most]] : [];
      });
      const violations = overlappingText.judge(page, {});
      found += violations.length;
      expect(violations.map(({ element, amount }) => [element, amount]).sort()).toEqual(expected.sort());
    }),
    { numRuns: 300 },
  );
  expect(found).toBeGreaterThan(50);
});
