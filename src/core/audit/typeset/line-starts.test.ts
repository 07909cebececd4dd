import fc from 'fast-check';
import { facts } from '../checks/facts-for-tests';
import { Level, Rule } from '../codes';
import type { PageFacts } from '../facts';
import { breakLines, placeTexts } from './break-lines';
import type { Typesetting } from './paragraph';
import { paragraphOf, plainHeights } from './paragraph-for-tests';
import { Typesetter } from './typesetter';

const [LEFT, PADDING, LINE] = [40, 6, 20];
const words = fc.array(fc.integer({ min: 20, max: 90 }), { minLength: 2, maxLength: 6 });

/** A block that is narrower than the page, and in it a box that is as wide as its text needs, or as there is room. */
function page(width: number, own: readonly number[]): PageFacts {
  const paragraph = paragraphOf([own]);
  const whole = paragraph.segments.right.at(-1)!;
  const room = Math.min(width - LEFT - 2 * PADDING, whole);
  const starts = breakLines(paragraph, room, 0, 'fits')!;
  const lines: [number, number, number, number][] = [];
  placeTexts(
    paragraph,
    starts,
    room,
    (_, line, left, right) => (lines[line] = [LEFT + PADDING + left, line * LINE, right - left, 16]),
  );
  const high = starts.length * LINE;
  const all = facts(width, [
    { id: 'around', box: [LEFT, 0, width - LEFT, high] },
    { id: 'box', in: 'around', box: [LEFT, 0, room + 2 * PADDING, high], lines },
  ]);
  return { ...all, level: Uint8Array.of(Level.block, Level.block, Level.inlineBlock) };
}

const setting = (own: readonly number[]): Typesetting => ({
  paragraphs: [{ ...paragraphOf([own], { block: 2 }), insetLeft: PADDING, insetRight: PADDING }],
  leading: [{ strut: 0, style: 0, offset: 0, above: 2, below: LINE - 2 }],
  strict: true,
  rule: new Uint8Array(3).fill(Rule.other),
  units: [[], [], []],
  holdsOn: new Int32Array(3).fill(-1),
  behind: Int32Array.of(3, 3, 3),
  cells: { least: new Float64Array(3), most: new Float64Array(3), align: new Float64Array(3) },
  heights: plainHeights(3),
  unread: new Uint8Array(3),
  plainShares: true,
  written: new Map(),
  worked: Uint8Array.of(0, 0, 1),
});

test('a box in a line is never taken to be narrower than it is just before its text fits', () => {
  let known = 0;
  fc.assert(
    fc.property(words, fc.integer({ min: 150, max: 500 }), fc.integer({ min: 4, max: 40 }), (own, first, more) => {
      const at = (width: number) => page(width, own);
      const between = new Typesetter(setting(own), () => -1).between(at(first), at(first + more));
      const starts = between?.lineStarts();
      for (let width = first + 1; width < first + more; width++) {
        const told = starts?.at(width)?.[0];
        if (!told) continue;
        known++;
        expect([width, told.length]).toEqual([width, at(width).lines[2]!.length / 4]);
      }
    }),
    { numRuns: 300 },
  );
  expect(known).toBeGreaterThan(1_000);
});
