import type { Paragraph } from '@/core/audit/typeset/paragraph';
import { withExactWidths } from './exact-widths';

/** Words one after the other, each as wide as is said, px, with a space of 4 px between them. */
function paragraphOf(widths: readonly number[], style: number): Paragraph {
  const left: number[] = [];
  let end = 0;
  const right = widths.map((width) => {
    left.push(end);
    return (end += width + 4) - 4;
  });
  const [lefts, rights] = [Float64Array.from(left), Float64Array.from(right)];
  return {
    exact: 0.0005,
    segments: { left: lefts, right: rights, apart: new Float64Array(left.length) },
    pieces: { segment: Int32Array.from(left.keys()), text: new Int32Array(left.length), left: lefts, right: rights },
    texts: { left: lefts.slice(0, 1), right: rights.slice(-1), style: Uint8Array.of(style) },
    inlines: { first: new Int32Array(0), before: new Float64Array(0), after: new Float64Array(0) },
  } as unknown as Paragraph;
}

const words = (count: number, grid: number) => Array.from({ length: count }, (_, i) => (1 + ((i * 37) % 91)) * 64 * grid);
const exactOf = (...paragraphs: Paragraph[]) => withExactWidths(paragraphs).map((one) => one!.exact);

test('widths that are multiples of the grid that letters are drawn on are exact', () => {
  expect(exactOf(paragraphOf(words(20, 1 / 2048), 0))).toEqual([0]);
});

test('few of them may be so by chance, unless others of that type say it too', () => {
  expect(exactOf(paragraphOf(words(5, 1 / 2048), 0))).toEqual([0.0005]);
  expect(exactOf(paragraphOf(words(5, 1 / 2048), 0), paragraphOf(words(20, 1 / 2048), 0))).toEqual([0, 0]);
});

test('one that isn’t is enough for all of its type to be rounded, but not for others', () => {
  const odd = [...words(20, 1 / 2048), 12 + 1 / 4096];
  expect(exactOf(paragraphOf(odd, 0), paragraphOf(words(20, 1 / 2048), 0), paragraphOf(words(20, 1 / 128), 1))).toEqual([
    0.0005, 0.0005, 0,
  ]);
});

test('what is far away is exact while a number counts so many steps, and is no reason not to take others for exact', () => {
  const near = () => paragraphOf([...words(20, 1 / 128), 12 + 1 / 2048], 0);
  const wide = (px: number) => paragraphOf([...words(20, 1 / 128), ...Array.from({ length: px / 64 }, () => 60)], 0);
  expect(exactOf(near(), wide(6000))).toEqual([0, 0]);
  expect(exactOf(near(), wide(9000))).toEqual([0, 0.0005]);
  expect(exactOf(wide(9000))).toEqual([0]);
});

test('far away alone proves no grid', () => {
  const far = paragraphOf([4097, ...words(20, 1 / 2048)], 0);
  far.segments.left[0] = far.pieces.left[0] = far.texts.left[0] = 4096;
  expect(exactOf(far)).toEqual([0.0005]);
});
