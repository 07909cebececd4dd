import { UNIT } from '../layout-unit';
import { EXACTLY, NEAR } from './same';
import type { Paragraph } from './paragraph';

/** Whether what follows a segment follows without a space. */
export const isBeforeWord = ({ segments: { left, right } }: Paragraph, i: number): boolean =>
  i + 1 < left.length && left[i + 1]! - right[i]! < NEAR;

/** Whether a text begins among pieces with letters, so that no line ends before. @param last the last of them, in that text */
export const beginsText = ({ pieces, texts }: Paragraph, from: number, last: number): boolean => {
  const at = texts.first[pieces.text[last]!]!;
  return at >= from && pieces.left[at]! - texts.left[pieces.text[last]!]! < NEAR;
};

/** Whether a text in which no line ends is followed by one that begins with a space, which the letter behind it draws nearer, and which is taken away there. */
export const isBeforeDrawnSpace = ({ pieces, segments, texts }: Paragraph, next: number): boolean =>
  next < pieces.text.length &&
  segments.drawn[pieces.segment[next]!] === 1 &&
  texts.kept[pieces.text[next - 1]!] === 1 &&
  texts.spaceless[pieces.text[next]!] === 1 &&
  texts.first[pieces.text[next]!] === next &&
  pieces.left[next]! - texts.left[pieces.text[next]!]! > NEAR;

/** Whether text that is broken at the same places in a narrower room and in a wider one is so in all between. */
export const isBrokenSteadily = (paragraph: Paragraph): boolean =>
  !paragraph.texts.kept.includes(1) ||
  !paragraph.pieces.segment.some((_, piece) => piece > 0 && isBeforeDrawnSpace(paragraph, piece));

/** The last piece of a segment. */
const lastPiece = ({ pieces }: Paragraph, segment: number): number => {
  let at = pieces.segment.length - 1;
  while (at > 0 && pieces.segment[at]! > segment) at--;
  return at;
};

/**
 * Whether letters of a segment, of which the last piece is given, stand at the end of a line as if nothing followed. Chromium leaves them as near to a space behind
 * them as they were, but in lines that don't begin at the left and in underlined text: there it takes the space away. Where that is the last of its text, what is
 * broken is what stands behind it, and the text is left as it was.
 */
export function isSetAnew(paragraph: Paragraph, segment: number, last: number): boolean {
  const { texts, pieces } = paragraph;
  const text = pieces.text[last]!;
  return isBeforeWord(paragraph, segment) || (texts.spaceless[text] === 1 && texts.last[text] !== last);
}

/** How much wider a line is than as it stands among the others, px. @param room px */
export function apartAt(paragraph: Paragraph, begin: number, end: number, room: number): number {
  const { segments, pieces, texts } = paragraph;
  const apart = segments.apart[end - 1]!;
  if (apart === 0) return 0;
  const last = lastPiece(paragraph, end - 1);
  if (isSetAnew(paragraph, end - 1, last)) return apart;
  // The space is taken away behind the end of a text, too, where there is room for it, and more than the one word that was set anew already.
  const text = pieces.text[last]!;
  if (texts.spaceless[text] === 0) return 0;
  const withSpace = texts.right[text]! - segments.left[begin]!;
  return withSpace <= room + UNIT + EXACTLY && !(segments.drawn[begin] === 1 && begin === end - 1) ? apart : 0;
}
