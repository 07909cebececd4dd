import fc from 'fast-check';
import type { PageFacts } from '../facts';
import { anyPage, page, typesettingOf } from '../typeset/set-page-for-tests';
import { Typesetter } from '../typeset/typesetter';
import { between } from './between';
import { disagreement } from './disagreement';
import type { TextRun } from './runs-of-texts';
import { runsOf } from './runs-of-texts';

const WIDTHS = 96;
/** Of long texts words go from line to line more often than there is one line more. */
const longPage = anyPage.map(({ blocks, cells }) => ({
  blocks: blocks.map(({ words, ...block }) => ({ ...block, words: Array.from({ length: 6 }, () => words).flat() })),
  cells,
}));

test('each width is in one run, as it would be measured, also where words go from line to line in it', () => {
  let [alike, together] = [0, 0];
  fc.assert(
    fc.property(longPage, fc.integer({ min: 400, max: 1200 }), ({ blocks, cells }, first) => {
      const last = first + WIDTHS - 1;
      const at = (width: number) => page(width, blocks, cells);
      const parents = at(first).elements.map(({ parent }) => parent);
      const worked = new Typesetter(typesettingOf(blocks, cells), (i) => parents[i]!).between(at(first), at(last));
      // Where the page begins to be higher than the window nothing is worked out.
      if (!worked) return;
      const lines = worked.lineStarts();
      const check = (facts: PageFacts | undefined, { from, to }: TextRun) => {
        const what = facts?.doubt && disagreement(facts, at(facts.viewport.width));
        if (what) expect([from, to, facts.viewport.width, what]).toEqual([]);
      };
      let next = first;
      for (const run of runsOf(first, last, lines, lines.all(), worked, at)) {
        if (!run) continue;
        const { from, to, exact } = run;
        expect(from).toBe(next);
        next = to + 1;
        const inside = to > from ? between(run.first, run.last, run) : () => run.first;
        for (let width = from; width <= to; width++) check(inside(width), run);
        if (!exact) continue;
        alike++;
        together += to - from + 1;
        for (let width = from; width <= to; width++) check(exact(width), run);
      }
      expect(next).toBe(last + 1);
    }),
    { numRuns: 30, seed: 3 },
  );
  expect(alike).toBeGreaterThan(30);
  expect(together / alike).toBeGreaterThan(4);
});
