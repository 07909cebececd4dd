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
  for (const paragraph of paragraphs)
    if (paragraph)
      eachPiece(paragraph, (style, values) => {
        if (values.some((value) => Math.abs(value) >= GRID * STEPS)) return;
        let grid = grids.get(style) ?? 1;
        while (grid >= GRID && !values.every((value) => isOn(value, grid))) grid /= 2;
        grids.set(style, grid);
        counts.set(style, (counts.get(style) ?? 0) + 1);
      });
  const isExact = (style: number, values: readonly number[]) => {
    const grid = grids.get(style) ?? 0;
    // What is on a grid is added up without being rounded while it has no more steps than a number can count.
    const isKept = (value: number) => Math.abs(value) < grid * STEPS * 2 && isOn(value, grid);
    return grid >= GRID && counts.get(style)! >= LEAST && values.every(isKept);
  };
  return paragraphs.map((one) => {
    let exact = one !== undefined;
    if (one) eachPiece(one, (style, values) => (exact &&= isExact(style, values)));
    return one && exact ? { ...one, exact: 0 } : one;
  });
}
