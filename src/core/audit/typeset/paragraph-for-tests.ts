import type { Heights } from './heights';
import type { Paragraph } from './paragraph';

/** A word's width and whether a line ends by hand behind it; texts are lists of words. */
export type TestWord = number | { readonly width: number; readonly hard: true };

export const SPACE = 4;

/** A paragraph of texts, each a list of words with spaces between them, and a space between two texts that belongs to the first. */
export function paragraphOf(
  texts: readonly (readonly TestWord[])[],
  { block = 0, styles = texts.map(() => 0), align = 0 }: { block?: number; styles?: readonly number[]; align?: number } = {},
): Paragraph {
  const pieces = { segment: [] as number[], text: [] as number[], left: [] as number[], right: [] as number[] };
  const segments = { left: [] as number[], right: [] as number[], hard: [] as number[], styles: [] as number[] };
  const rows = { left: [] as number[], right: [] as number[], first: [] as number[], last: [] as number[] };
  let x = 0;
  texts.forEach((words, text) => {
    rows.left.push(x);
    rows.first.push(pieces.left.length);
    words.forEach((word, i) => {
      const { width, hard } = typeof word === 'number' ? { width: word, hard: false } : word;
      pieces.segment.push(segments.left.length);
      pieces.text.push(text);
      pieces.left.push(x);
      pieces.right.push(x + width);
      segments.left.push(x);
      segments.right.push(x + width);
      segments.hard.push(hard ? 1 : 0);
      segments.styles.push((1 << styles[text]!) >>> 0);
      x += width;
      const isLast = text === texts.length - 1 && i === words.length - 1;
      if (!isLast) x += SPACE;
    });
    rows.last.push(pieces.left.length - 1);
    rows.right.push(x);
  });
  const none = { element: new Int32Array(0), first: new Int32Array(0), last: new Int32Array(0) };
  return {
    block,
    insetLeft: 0,
    insetRight: 0,
    align,
    strut: 0,
    exact: 0.0005,
    segments: {
      left: Float64Array.from(segments.left),
      right: Float64Array.from(segments.right),
      apart: new Float64Array(segments.left.length),
      drawn: new Uint8Array(segments.left.length),
      lost: new Float64Array(segments.left.length),
      hard: Uint8Array.from(segments.hard),
      styles: Uint32Array.from(segments.styles),
    },
    pieces: {
      segment: Int32Array.from(pieces.segment),
      text: Int32Array.from(pieces.text),
      left: Float64Array.from(pieces.left),
      right: Float64Array.from(pieces.right),
    },
    texts: {
      element: Int32Array.from(texts, () => block),
      left: Float64Array.from(rows.left),
      right: Float64Array.from(rows.right),
      first: Int32Array.from(rows.first),
      last: Int32Array.from(rows.last),
      style: Uint8Array.from(styles),
      kept: new Uint8Array(texts.length),
      spaceless: Uint8Array.from(texts, () => (align === 0 ? 0 : 1)),
    },
    inlines: { ...none, before: new Float64Array(0), after: new Float64Array(0) },
    atoms: { element: none.element, text: none.element, before: new Float64Array(0), width: new Float64Array(0) },
  };
}

/** Of elements that nothing makes higher than what stands in them asks for. */
export function plainHeights(count: number): Heights {
  const numbers = () => new Float64Array(count);
  const flags = () => new Uint8Array(count);
  return {
    rest: numbers(),
    head: numbers(),
    gap: numbers(),
    above: numbers(),
    below: numbers(),
    align: numbers(),
    grows: new Int32Array(count).fill(-1),
    shares: flags(),
    least: numbers(),
    given: flags(),
    fills: flags(),
    keeps: flags(),
  };
}
