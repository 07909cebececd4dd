import { paragraphOf, SPACE } from '@/core/audit/typeset/paragraph-for-tests';
import { withLaidOutGaps } from './laid-out-gaps';

const UNIT = 1 / 64;

test('texts lie as far from each other as they are laid out, and keep their widths', () => {
  const large = paragraphOf([[20, 30], [40], [50]]);
  const on = (list: Float64Array, from: number, by: number) => list.map((x) => (x >= from ? x + by : x));
  // What is before the second text is rounded up, and what is before the third as wide as it was.
  const second = large.texts.left[1]!;
  const plain = {
    ...large,
    texts: { ...large.texts, left: on(large.texts.left, second, UNIT / 2), right: on(large.texts.right, second + 1, UNIT / 2) },
  };
  const { texts, pieces, segments } = withLaidOutGaps(large, plain);
  expect([...texts.left]).toEqual([0, second + UNIT / 2, large.texts.left[2]! + UNIT / 2]);
  expect(texts.right[2]! - texts.left[2]!).toBe(large.texts.right[2]! - large.texts.left[2]!);
  expect([...pieces.left]).toEqual([0, 20 + SPACE, second + UNIT / 2, large.pieces.left[3]! + UNIT / 2]);
  expect([segments.left[2], segments.right[2]]).toEqual([second + UNIT / 2, large.segments.right[2]! + UNIT / 2]);
});

test('a line begins with a padding as it is laid out', () => {
  const large = paragraphOf([[20], [40]]);
  const inlines = (before: number) => ({
    element: Int32Array.of(7),
    first: Int32Array.of(1),
    last: Int32Array.of(1),
    before: Float64Array.of(before),
    after: Float64Array.of(0),
  });
  const padded = large.segments.left.map((x, i) => (i === 1 ? x - 2.88 : x));
  const one = { ...large, segments: { ...large.segments, left: padded }, inlines: inlines(2.88) };
  const { segments, pieces } = withLaidOutGaps(one, { ...one, inlines: inlines(2.875) });
  expect(segments.left[1]).toBe(pieces.left[1]! - 2.875);
});

test('where the two were read otherwise nothing is moved', () => {
  const large = paragraphOf([[20], [40]]);
  expect(withLaidOutGaps(large, large)).toBe(large);
  expect(withLaidOutGaps(large, paragraphOf([[20, 40]]))).toBe(large);
});
