import type { Paragraph } from './paragraph';
import { UNIT } from '../layout-unit';
import { EXACTLY, NEAR } from './same';
import { beginsText, isBeforeDrawnSpace, isBeforeWord, isSetAnew } from './text-ends';

/**
 * Browsers add up letters in numbers of single precision: by so much of the room sums may be off besides. None of 144,000 lines in 8 fonts and sizes
 * made of chance was broken otherwise than by the width that was read of it, as exactly as that is known, even without this.
 */
const ADDED = 1e-6;
/** Nearer to the begin of its text, px, they say where a letter stands as exactly as it is known. */
const FAR = 4096;
/**
 * By how much they are off there, where letters are on no grid: what they add up is rounded to single precision. 13 of its last digits were seen, 8,494 px from the
 * begin of a text; 16 are taken for doubt.
 */
const farOff = (distance: number): number => (distance < FAR ? 0 : 2 ** (Math.floor(Math.log2(distance)) - 19));
/** A width that is a whole number of units, since letters of many fonts are as wide as a part of one. */
const WHOLE = 1e-6;

/** How wide a text is on a line, as browsers add it up, px. @param isWhole whether all of it is on that line: what is read as it is, is rounded then */
export const rounded = (width: number, exact: number, isWhole: boolean): number =>
  exact < UNIT ? Math.ceil((width - exact) / UNIT) * UNIT : isWhole ? width : width - UNIT / 2;

/** The sum of all that stands on a line, as browsers add it up: each text rounded up to units of layout. */
class LineSum {
  #done = 0;
  #text = -1;
  #from = 0;
  /** How much more it may be: where it isn't known whether a width is rounded up. */
  doubt = 0;
  /** How much more or less: where texts are read as they are, each may be rounded up or not. */
  vague = 0;

  constructor(private readonly paragraph: Paragraph) {}

  begin(piece: number, segment: number): void {
    const { pieces, segments } = this.paragraph;
    this.#done = pieces.left[piece]! - segments.left[segment]!;
    this.#text = pieces.text[piece]!;
    this.#from = pieces.left[piece]!;
    this.doubt = 0;
    this.vague = 0;
  }

  /** Takes in a piece. @returns where the line ends with it */
  add(piece: number): number {
    const { pieces, texts, exact } = this.paragraph;
    const text = pieces.text[piece]!;
    while (this.#text < text) {
      const width = texts.right[this.#text]! - this.#from;
      const isWhole = this.#from === texts.left[this.#text];
      const off = Math.abs(width / UNIT - Math.round(width / UNIT)) * UNIT;
      if (off > WHOLE && off < exact) this.doubt += UNIT;
      if (exact >= UNIT && !isWhole) this.vague += UNIT / 2;
      this.#done += rounded(width, exact, isWhole) + texts.left[this.#text + 1]! - texts.right[this.#text]!;
      this.#from = texts.left[++this.#text]!;
    }
    return this.#done + pieces.right[piece]! - this.#from;
  }
}

/** How lines are broken besides. */
export interface Breaking {
  /** Where a segment comes so near to the room that it isn't known on which line it stands: whether it is taken to fit. */
  readonly near?: 'fits' | 'breaks' | undefined;
  /** By element 1 where words are broken that have no room (CSS Text 3, 5.4). */
  readonly breaks?: ArrayLike<number>;
}

/**
 * Breaks text into lines as browsers do (CSS Text 3, 5): as much as fits on each, broken between segments.
 * @param room px
 * @param off how far off the room may be, px
 * @returns the first segment of each line, ascending from 0; undefined where that isn't known
 */
export const breakLines = (
  paragraph: Paragraph,
  room: number,
  off = 0,
  { near, breaks }: Breaking = {},
): Int32Array | undefined => brokenBy(paragraph, room, off, breaks, near && (() => near === 'breaks'));

/**
 * The same where one segment comes so near to the room that it isn't known on which line it stands.
 * @returns both ways, the first as it fits; undefined where there aren't two
 */
export function breakEitherWay(
  paragraph: Paragraph,
  room: number,
  off = 0,
  breaksWords?: Breaking['breaks'],
): readonly [Int32Array, Int32Array] | undefined {
  const [fits, breaks] = [false, true].map((isBroken) => {
    let met = 0;
    const starts = brokenBy(paragraph, room, off, breaksWords, () => {
      met++;
      return isBroken;
    });
    return met === 1 ? starts : undefined;
  });
  return fits && breaks && [fits, breaks];
}

/** @param isBroken what is taken where it isn't known whether a segment fits */
function brokenBy(
  paragraph: Paragraph,
  room: number,
  off: number,
  breaksWords: Breaking['breaks'],
  isBroken: (() => boolean) | undefined,
): Int32Array | undefined {
  const { segments, pieces, exact } = paragraph;
  const count = segments.left.length;
  const starts: number[] = [0];
  const sum = new LineSum(paragraph);
  let piece = 0;
  /** The text that the line begins in. */
  let text = pieces.text[0];
  sum.begin(0, 0);
  for (let i = 0; i < count; i++) {
    const first = piece;
    let end = 0;
    while (piece < pieces.segment.length && pieces.segment[piece] === i) end = sum.add(piece++);
    if (i === 0) continue;
    let breaks = segments.hard[i - 1] === 1;
    if (!breaks && starts[starts.length - 1] !== i) {
      const apart = Math.max(0, segments.apart[i]!);
      // What is set anew at the end of a line has to have room as it stands among the others, and as it would there.
      const isAnew = apart > 0 && isSetAnew(paragraph, i, piece - 1);
      const begin = starts[starts.length - 1]!;
      const isDrawn = segments.drawn[begin] === 1 && pieces.text[piece - 1] === text;
      // What is shaped anew at its begin or end may be taken to be one unit wider, while it is the same text.
      const lost = !isDrawn ? 0 : exact === 0 ? segments.lost[begin]! : NaN;
      const isNarrower = segments.apart[i]! < 0;
      // Where nothing less of its text can stay on the line, it is tried as it would stand there; not where words may be broken.
      const isFirst =
        isNarrower &&
        isBeforeWord(paragraph, i) &&
        beginsText(paragraph, first, piece - 1) &&
        !breaksWords?.[paragraph.texts.element[pieces.text[piece - 1]!]!];
      const anew = isAnew ? apart : isFirst ? segments.apart[i]! : 0;
      // What sticks out by one unit of layout is still taken to fit.
      const over = end + segments.right[i]! - pieces.right[piece - 1]! + anew + (lost || 0) - room - UNIT;
      breaks = over > EXACTLY;
      // What is narrower at the end of a line is only looked for up to whole units from the begin of its text.
      const more =
        (exact > 0 ? exact + room * ADDED + farOff(segments.right[i]!) : 0) + off + sum.vague + (isNarrower ? UNIT : 0);
      const less = more + sum.doubt + (isDrawn ? apart : 0) + (Number.isNaN(lost) ? UNIT : 0) + (isAnew ? UNIT : 0);
      if (less > 0 && over > -less - EXACTLY && over < more + EXACTLY) {
        if (!isBroken) return undefined;
        breaks = isBroken();
      } else if (!breaks && isBeforeDrawnSpace(paragraph, piece)) {
        // It stays only with a space that has room both as the next letter draws it and as it is by itself, or in neither way.
        const space = pieces.left[piece]! - pieces.right[piece - 1]!;
        const beyond = end + space - room - UNIT;
        if (beyond < less + EXACTLY && beyond > -less - space) {
          if (!isBroken) return undefined;
          breaks = isBroken();
        }
      }
    }
    if (!breaks) continue;
    starts.push(i);
    text = pieces.text[first];
    sum.begin(first, i);
    for (let at = first; at < piece; at++) sum.add(at);
  }
  return Int32Array.from(starts);
}

/** Whether every segment has room, so that no word is ever broken. */
export const isRoomy = ({ segments: { left, right, apart }, exact }: Paragraph, room: number): boolean =>
  left.every((start, i) => right[i]! - start + Math.abs(apart[i]!) + exact <= room + UNIT - NEAR);

/** The styles of the type on each line, a bit for each. */
export function stylesOnLines({ segments: { styles }, strut }: Paragraph, starts: Int32Array, strict: boolean): Uint32Array {
  const found = new Uint32Array(starts.length);
  for (let line = 0; line < starts.length; line++) {
    const end = line + 1 < starts.length ? starts[line + 1]! : styles.length;
    let all = strict ? 1 << strut : 0;
    for (let i = starts[line]!; i < end; i++) all |= styles[i]!;
    found[line] = all >>> 0;
  }
  return found;
}
