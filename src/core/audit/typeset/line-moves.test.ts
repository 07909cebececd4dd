import { LineMoves } from './line-moves';
import type { Paragraph, Typesetting } from './paragraph';
import { paragraphOf } from './paragraph-for-tests';

const moves = (...paragraphs: readonly Paragraph[]) => new LineMoves({ paragraphs, strict: true } as unknown as Typesetting);

/** Whether two ways to break one paragraph are alike, and whether anything moves. */
function alike(paragraph: Paragraph, a: readonly number[], b: readonly number[]): [boolean, number] {
  const moved = new Set<number>();
  const is = moves(paragraph).areAlike([Int32Array.from(a)], [Int32Array.from(b)], moved);
  return [is, moved.size];
}

test('words go from line to line within one text, as long as there are as many lines', () => {
  const text = paragraphOf([[30, 30, 30, 30, 30, 30]]);
  expect(alike(text, [0, 2, 4], [0, 3, 5])).toEqual([true, 1]);
  expect(alike(text, [0, 2, 4], [0, 2, 4])).toEqual([true, 0]);
  expect(alike(text, [0, 2, 4], [0, 3])).toEqual([false, 0]);
});

test('no word goes to another line with which a text begins or ends', () => {
  const texts = paragraphOf([[30, 30], [30], [30, 30, 30, 30]]);
  expect(alike(texts, [0, 4], [0, 5])).toEqual([true, 1]);
  for (const [from, to] of [
    [1, 2],
    [2, 3],
    [3, 4],
  ])
    expect(alike(texts, [0, from!], [0, to!])).toEqual([false, 0]);
});

test('no line gets other type, and nothing goes along that stands there like a letter', () => {
  const text = paragraphOf([[30, 30, 30, 30, 30]]);
  const odd = { ...text, segments: { ...text.segments, styles: Uint32Array.from([1, 1, 3, 1, 1]) } };
  expect(alike(odd, [0, 2], [0, 3])).toEqual([false, 0]);
  expect(alike(odd, [0, 3], [0, 4])).toEqual([true, 1]);
  const holding = { ...text, atoms: { ...text.atoms, element: Int32Array.from([7]) } };
  expect(alike(holding, [0, 3], [0, 4])).toEqual([false, 0]);
});

test('of several texts all that are otherwise are told, with all that stands in them', () => {
  const text = paragraphOf(
    [
      [30, 30, 30],
      [30, 30],
    ],
    { block: 3 },
  );
  const inlines = { ...text.inlines, element: Int32Array.from([4]) };
  const moved = new Set<number>();
  const [a, b] = [Int32Array.from([0, 1]), Int32Array.from([0, 2])];
  const one = moves(paragraphOf([[30, 30, 30]]), { ...text, inlines }, paragraphOf([[30, 30, 30]]));
  expect(one.areAlike([a, Int32Array.from([0, 1]), undefined], [b, a, undefined], moved)).toBe(true);
  expect([...moved]).toEqual([0]);
  expect(one.areAlike([a, a, a], [a, b, undefined], new Set())).toBe(false);
  expect(one.elementsOf([1])).toEqual([3, 3, 4]);
});
