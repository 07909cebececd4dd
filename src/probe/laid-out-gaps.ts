import type { Paragraph } from '@/core/audit/typeset/paragraph';

/** What lies between two texts may be rounded up or cut off several times, px. */
const ROUNDED_MOST = 4 / 64;
/** Places that differ by less, px, are the same. */
const SAME = 1e-4;

/**
 * What lies between texts as it is laid out: a space of its own there is rounded up to 1/64 px like a text, and paddings are cut off to that, which doesn't show where all
 * is shown larger.
 * @param large read larger
 * @param plain the same as it is shown
 */
export function withLaidOutGaps(large: Paragraph, plain: Paragraph): Paragraph {
  const { texts, pieces, segments, inlines } = large;
  const count = texts.left.length;
  if (plain.texts.left.length !== count) return large;
  const gap = (one: Paragraph, text: number) => one.texts.left[text]! - one.texts.right[text - 1]!;
  /** By text: how much further right it lies. */
  const by = new Float64Array(count);
  for (let text = 1; text < count; text++) {
    const more = gap(plain, text) - gap(large, text);
    by[text] = by[text - 1]! + (Math.abs(more) < ROUNDED_MOST ? more : 0);
  }
  const [before, after] = [plain.inlines.before, plain.inlines.after];
  const isSame = by.every((one) => Math.abs(one) < SAME) && before.every((one, i) => Math.abs(one - inlines.before[i]!) < SAME);
  if (isSame && after.every((one, i) => Math.abs(one - inlines.after[i]!) < SAME)) return large;
  const textOf = (piece: number) => by[pieces.text[piece]!]!;
  const moved = (list: Float64Array) => list.map((x, piece) => x + textOf(piece));
  const [left, right] = [segments.left.slice(), segments.right.slice()];
  for (let piece = 0; piece < pieces.segment.length; piece++) {
    const segment = pieces.segment[piece]!;
    if (piece === 0 || pieces.segment[piece - 1] !== segment) left[segment] = segments.left[segment]! + textOf(piece);
    right[segment] = segments.right[segment]! + textOf(piece);
  }
  // What a segment begins or ends with is the padding of an inline element.
  inlines.element.forEach((_, i) => {
    const [first, last] = [inlines.first[i]!, inlines.last[i]!];
    const [begin, end] = [pieces.segment[first]!, pieces.segment[last]!];
    if (Math.abs(segments.left[begin]! - (pieces.left[first]! - inlines.before[i]!)) < SAME)
      left[begin] = pieces.left[first]! + textOf(first) - before[i]!;
    if (Math.abs(segments.right[end]! - (pieces.right[last]! + inlines.after[i]!)) < SAME)
      right[end] = pieces.right[last]! + textOf(last) + after[i]!;
  });
  return {
    ...large,
    segments: { ...segments, left, right },
    pieces: { ...pieces, left: moved(pieces.left), right: moved(pieces.right) },
    texts: { ...texts, left: texts.left.map((x, i) => x + by[i]!), right: texts.right.map((x, i) => x + by[i]!) },
    inlines: { ...inlines, before, after },
  };
}
