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

/** By segment where the text ends, with the space behind it, of which the last letters are set anew where there is room for both; NaN for others. */
const known = new WeakMap<Paragraph, Float64Array | null>();

function turnsOf(paragraph: Paragraph): Float64Array | null {
  let ends = known.get(paragraph);
  if (ends === undefined) {
    const { segments, pieces, texts } = paragraph;
    const right = segments.apart.map((apart, i) => {
      if (apart === 0) return NaN;
      const last = lastPiece(paragraph, i);
      const text = pieces.text[last]!;
      return isSetAnew(paragraph, i, last) || texts.spaceless[text] === 0 ? NaN : texts.right[text]!;
    });
    known.set(paragraph, (ends = right.every(Number.isNaN) ? null : right));
  }
  return ends;
}

/** Whether lines that are broken at the same places may be wider in one room than in another. */
export const mayTurn = (paragraph: Paragraph): boolean => turnsOf(paragraph) !== null;

/** The length of a line with the space behind its end, if that is taken away where it has room, and more than the one word that was set anew already. */
function lengthWithSpace(paragraph: Paragraph, begin: number, end: number): number {
  const right = turnsOf(paragraph)?.[end - 1] ?? NaN;
  return paragraph.segments.drawn[begin] === 1 && begin === end - 1 ? NaN : right - paragraph.segments.left[begin]!;
}

/** How much wider a line is than as it stands among the others, px. @param room px */
export function apartAt(paragraph: Paragraph, begin: number, end: number, room: number): number {
  const apart = paragraph.segments.apart[end - 1]!;
  if (apart === 0) return 0;
  if (isSetAnew(paragraph, end - 1, lastPiece(paragraph, end - 1))) return apart;
  return lengthWithSpace(paragraph, begin, end) <= room + UNIT + EXACTLY ? apart : 0;
}

const NO_TURNS = new Uint8Array(0);

/**
 * Which lines are wider than they are in less room.
 * @param off how far off the room may be, px
 * @returns 1 for each that is; nothing where none ever is; undefined where that isn't known
 */
export function turnsAt(paragraph: Paragraph, starts: Int32Array, room: number, off: number): Uint8Array | undefined {
  const ends = turnsOf(paragraph);
  if (!ends) return NO_TURNS;
  const turns = new Uint8Array(starts.length);
  for (let line = 0; line < starts.length; line++) {
    const free = room + UNIT - lengthWithSpace(paragraph, starts[line]!, starts[line + 1] ?? ends.length);
    if (Math.abs(free) < off + paragraph.exact) return undefined;
    turns[line] = free > -EXACTLY ? 1 : 0;
  }
  return turns;
}
