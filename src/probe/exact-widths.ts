import type { Paragraph } from '@/core/audit/typeset/paragraph';

/** Letters of most fonts are, at whole px, as wide as a multiple of this, px; browsers say it all the more exactly the larger they are shown. */
const GRID = 1 / 2048;
/** A number in a browser has so many steps up to twice its size. */
const STEPS = 2 ** 23;
/** So many widths that are multiples of it can't be so by chance. */
const LEAST = 16;

type Tell = (style: number, values: readonly number[]) => void;

/** Tells all that decides how wide what can't be broken is, by the style of its type. */
function eachPiece({ pieces, texts, segments, inlines }: Paragraph, tell: Tell): void {
  pieces.text.forEach((text, i) => {
    const segment = pieces.segment[i]!;
    const around = [segments.left[segment]!, segments.right[segment]!, segments.apart[segment]!];
    tell(texts.style[text]!, [pieces.left[i]!, pieces.right[i]!, ...around]);
  });
  texts.style.forEach((style, text) => tell(style, [texts.left[text]!, texts.right[text]!]));
  for (let i = 0; i < inlines.first.length; i++)
    tell(texts.style[pieces.text[inlines.first[i]!]!]!, [inlines.before[i]!, inlines.after[i]!]);
}

const isOn = (value: number, grid: number): boolean => Number.isInteger(value / grid);

/**
 * Where all that is known of some type is a multiple of what its letters are made of, it isn't rounded, and so exact.
 * @param paragraphs read so much larger that what is rounded is seen
 */
export function withExactWidths(paragraphs: readonly (Paragraph | undefined)[]): (Paragraph | undefined)[] {
  /** By style: the largest grid that all that is near enough to be read so exactly is on. */
  const grids = new Map<number, number>();
  const counts = new Map<number, number>();
  const each = (tell: Tell) => paragraphs.forEach((one) => one && eachPiece(one, tell));
  each((style, values) => {
    if (values.some((value) => Math.abs(value) >= GRID * STEPS)) return;
    let grid = grids.get(style) ?? 1;
    while (grid >= GRID && !values.every((value) => isOn(value, grid))) grid /= 2;
    grids.set(style, grid);
    counts.set(style, (counts.get(style) ?? 0) + 1);
  });
  each((style, values) => {
    const grid = grids.get(style) ?? 0;
    if (!values.every((value) => Math.abs(value) < grid * STEPS && isOn(value, grid))) grids.set(style, 0);
  });
  const isExact = (style: number) => grids.get(style)! >= GRID && counts.get(style)! >= LEAST;
  return paragraphs.map((one) => (one && one.texts.style.every(isExact) ? { ...one, exact: 0 } : one));
}
