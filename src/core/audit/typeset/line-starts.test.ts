import fc from 'fast-check';
import { facts } from '../checks/facts-for-tests';
import { Level, Rule } from '../codes';
import type { PageFacts } from '../facts';
import { breakLines } from './break-lines';
import { placeTexts } from './place-texts';
import type { Typesetting } from './paragraph';
import { paragraphOf, plainHeights } from './paragraph-for-tests';
import { Typesetter } from './typesetter';

const [LEFT, PADDING, LINE, SHARE] = [40, 6, 20, 0.3];
/** What bends by more, px, is seen to where it is looked, and what lies between is divided there. */
const SEEN = 0.5;
const words = fc.array(fc.integer({ min: 20, max: 90 }), { minLength: 2, maxLength: 6 });

/** A block that is narrower than the page, and in it a box that is as wide as its text needs, or as there is room. */
function page(width: number, own: readonly number[]): PageFacts {
  const paragraph = paragraphOf([own]);
  const whole = paragraph.segments.right.at(-1)!;
  const room = Math.min(SHARE * width - 2 * PADDING, whole);
  const starts = breakLines(paragraph, room, 0, { near: 'fits' })!;
  const lines: [number, number, number, number][] = [];
  placeTexts(
    paragraph,
    starts,
    room,
    (_, line, left, right) => (lines[line] = [LEFT + PADDING + left, line * LINE, right - left, 16]),
  );
  const high = starts.length * LINE;
  const all = facts(width, [
    { id: 'around', box: [LEFT, 0, SHARE * width, high] },
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
  holdsBy: new Uint8Array(3),
  behind: Int32Array.of(3, 3, 3),
  cells: {
    least: new Float64Array(3),
    most: new Float64Array(3),
    align: new Float64Array(3),
    onBaseline: new Uint8Array(3),
    spans: new Uint16Array(3),
  },
  heights: plainHeights(3),
  unread: new Uint8Array(3),
  plainShares: true,
  written: new Map(),
  worked: Uint8Array.of(0, 0, 1),
});

const wide = ({ boxes }: PageFacts) => boxes[10]! - boxes[8]!;

test('a box in a line is never taken to be narrower than it is just before its text fits', () => {
  const counts = { known: 0, left: 0 };
  fc.assert(
    fc.property(words, fc.integer({ min: 300, max: 900 }), fc.integer({ min: 3, max: 12 }), (own, first, more) => {
      const [from, to] = [page(first, own), page(first + more, own)];
      const starts = new Typesetter(setting(own), () => -1).between(from, to)?.lineStarts();
      for (let width = first + 1; width < first + more; width++) {
        const here = page(width, own);
        const even = wide(from) + ((wide(to) - wide(from)) * (width - first)) / more;
        const bend = wide(here) - even;
        if (!starts || bend > SEEN) continue;
        const told = starts.at(width)?.[0];
        counts[told ? 'known' : 'left']++;
        if (told && told.length !== here.lines[2]!.length / 4)
          expect([width, told.length]).toEqual([width, here.lines[2]!.length / 4]);
      }
    }),
    { numRuns: 800 },
  );
  expect(counts.known).toBeGreaterThan(2_000);
  expect(counts.left).toBeLessThan(counts.known / 20);
});
