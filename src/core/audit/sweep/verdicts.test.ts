import fc from 'fast-check';
import { CHECKS } from '../checks';
import { usualLimits } from '../check';
import { facts } from '../checks/facts-for-tests';
import type { PageFacts } from '../facts';
import { Pinned } from '../facts';
import type { Judged } from '../judge';
import { judgesOf } from '../judge';
import { SLACK } from '../readers';
import { between } from './between';
import { chance } from './chance';
import { randomFacts } from './random-facts-for-tests';
import { verdictsAlone, verdictsBetween, verdictsOn } from './verdicts';

const [FIRST, LAST] = [500, 560];
const keys = (found: readonly Judged[]) => found.map(({ check, violation }) => `${check} ${violation.element}`).sort();
const judges = judgesOf(CHECKS.map((check) => ({ check, limits: usualLimits(check) }))).map(
  (judge, i) => [CHECKS[i]!.id, judge] as const,
);
const seeds = fc.integer({ min: 1, max: 1_000_000 });
/** Amounts that don't follow a straight line: whole px, shares of an area. */
const ROUGH: Readonly<Record<string, number>> = { 'sideways-scroll': 1, reflow: 1, 'empty-screen': 0.5 };
const NOT_LOOSE = { loose: new Uint8Array(99) };

test('what is said of a stretch at once is what is said of each of its widths, by every check', () => {
  const turned = new Set<string>();
  let [told, doubted] = [0, 0];
  fc.assert(
    fc.property(seeds, (seed) => {
      const at = between(randomFacts(seed, 0), randomFacts(seed, 1), NOT_LOOSE);
      for (const [id, judge] of judges) {
        const said = new Map<number, readonly Judged[]>();
        const [first] = verdictsOn([judge], at(FIRST));
        const [last] = verdictsOn([judge], at(LAST));
        verdictsBetween(judge, FIRST, first!, LAST, last!, {
          at,
          tell: (width, found) => said.set(width, found),
          doubt: () => doubted++,
          isDoubtful: (_, { trace, end }) => trace.isDoubtful(0, end),
        });
        for (const [width, some] of said) {
          const found = judge.judge(at(width));
          const by = (i: number) => Math.abs(some[i]!.violation.amount - found[i]!.violation.amount);
          const slack = (i: number) => ROUGH[id] ?? found[i]!.violation.amount / 100 + 0.01;
          const isSame = keys(some).join() === keys(found).join() && some.every((_, i) => by(i) <= slack(i));
          // Asking `expect` of each would take most of the time.
          if (!isSame) expect([id, width, some]).toEqual([id, width, found]);
          if (keys(found).join() !== keys(first!.found).join()) turned.add(id);
        }
        told += said.size;
      }
    }),
    { numRuns: 16 },
  );
  expect(turned.size).toBeGreaterThan(15);
  expect(doubted).toBeLessThan(told / 4);
});

test('where numbers that are off by what they may be off turn a verdict, it was in doubt', () => {
  const turned = new Set<string>();
  let [noted, notedAlone] = [0, 0];
  fc.assert(
    fc.property(seeds, (seed) => {
      // Of some pages it is known better where all lies.
      const slack = seed % 2 === 0 ? SLACK : SLACK / 3;
      const facts = { ...randomFacts(seed, 0.5), doubt: { ...NOT_LOOSE, sized: false, off: { across: slack, down: slack } } };
      const random = chance(seed + 1);
      // Comparisons are of two edges, so each may be off by half.
      const off = randomFacts(seed, 0.5, () => (random() - 0.5) * slack * 0.45);
      for (const [id, judge] of judges) {
        const [verdict] = verdictsOn([judge], facts);
        const [alone] = verdictsAlone([judge], facts);
        const isDoubtful = verdict!.trace.isDoubtful(0, verdict!.end);
        // By itself the same is said and doubted, with less that is noted.
        if (alone!.trace.isDoubtful(0, alone!.end) !== isDoubtful || keys(alone!.found).join() !== keys(verdict!.found).join())
          expect([id, seed, alone!.found]).toEqual([id, seed, 'otherwise']);
        noted += verdict!.end;
        notedAlone += alone!.end;
        if (keys(judge.judge(off)).join() === keys(verdict!.found).join()) continue;
        turned.add(id);
        expect([id, isDoubtful]).toEqual([id, true]);
      }
    }),
    { numRuns: 160 },
  );
  expect(turned.size).toBeGreaterThan(5);
  expect(notedAlone).toBeLessThan(noted / 4);
});

test('an area is in doubt by its sides that move alone, and always where those turn it', () => {
  const check = CHECKS.find(({ id }) => id === 'empty-screen')!;
  const counts = { turned: 0, doubted: 0, doubtedAll: 0 };
  fc.assert(
    fc.property(seeds, (seed) => {
      const [first, last] = [randomFacts(seed, 0), randomFacts(seed, 1)];
      const facts = between(first, last, NOT_LOOSE)(530);
      const random = chance(seed + 1);
      // A limit that is nearly met.
      const most = check.judge(facts, { most: 0 })[0]!.amount + (random() - 0.5) * 0.4;
      const judge = judgesOf([{ check, limits: { most } }])[0]!;
      const boxes = facts.boxes.map((side, i) => side + (first.boxes[i] === last.boxes[i] ? 0 : (random() - 0.5) * SLACK * 2));
      // The screen is known exactly.
      boxes.set(facts.boxes.subarray(0, 4));
      const doubtOn = (doubt: PageFacts['doubt']) => {
        const [verdict] = verdictsOn([judge], { ...facts, doubt });
        return verdict!.trace.isDoubtful(0, verdict!.end);
      };
      const isDoubtful = doubtOn(facts.doubt);
      if (isDoubtful) counts.doubted++;
      if (doubtOn({ ...facts.doubt!, moves: undefined })) counts.doubtedAll++;
      if (judge.judge({ ...facts, boxes }).length === judge.judge(facts).length) return;
      counts.turned++;
      expect([seed, isDoubtful]).toEqual([seed, true]);
    }),
    { numRuns: 220 },
  );
  expect(counts.turned).toBeGreaterThan(8);
  expect(counts.doubted).toBeLessThan(counts.doubtedAll * 0.8);
});

test('which of two bars is told is in doubt where they are nearly as high as each other', () => {
  const check = CHECKS.find(({ id }) => id === 'tall-bars')!;
  const [judge] = judgesOf([{ check, limits: usualLimits(check) }]);
  const doubtWith = (height: number) => {
    const bars = facts(1200, [
      { id: 'upper', box: [0, 0, 1200, 200] },
      { id: 'lower', box: [0, 600, 1200, height] },
    ]);
    const pinned = Uint8Array.from([0, Pinned.top, Pinned.bottom]);
    const [verdict] = verdictsOn([judge!], { ...bars, pinned, doubt: { ...NOT_LOOSE, sized: false } });
    expect(verdict!.found).toHaveLength(1);
    return verdict!.trace.isDoubtful(0, verdict!.end);
  };
  expect([180, 199.9, 200.1, 220].map(doubtWith)).toEqual([false, true, true, false]);
});
