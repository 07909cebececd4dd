import type { PageFacts } from '../facts';
import { breakLines, isRoomy, stylesOnLines } from './break-lines';
import { placeTexts } from './place-texts';
import { apartAt } from './text-ends';
import type { Paragraph } from './paragraph';

/** A paragraph's lines at one width, horizontally. */
export interface LinesAt {
  /** The first segment of each line. */
  readonly starts: Int32Array;
  /** The styles on each line, a bit for each. */
  readonly styles: Uint32Array;
  /** Parts of texts, in the order of texts and, in each, of lines: which text, on which line, from where to where, px from the room's left end. */
  readonly count: number;
  readonly text: Int32Array;
  /** Whose text each is; -1 for what has no lines of its own. */
  readonly element: Int32Array;
  readonly line: Int32Array;
  readonly left: Float64Array;
  readonly right: Float64Array;
  /** The same where lines begin at the left, and how wide each line is. */
  readonly plain: { readonly left: Float64Array; readonly right: Float64Array; readonly wide: Float64Array };
}

/** The box that a paragraph's lines fill, px from the page's left end. */
export function roomIn({ block, insetLeft, insetRight }: Paragraph, boxes: Float64Array): { left: number; room: number } {
  const left = boxes[block * 4]! + insetLeft;
  return { left, room: boxes[block * 4 + 2]! - insetRight - left };
}

/** Whether words may be broken that have no room. */
export const hasBrokenWords = (paragraph: Paragraph, { boxes, breaks }: Pick<PageFacts, 'boxes' | 'breaks'>): boolean =>
  breaks[paragraph.block] === 1 && !isRoomy(paragraph, roomIn(paragraph, boxes).room);

/** Works out a paragraph's lines from where its block lies; undefined where something comes so near that it isn't known. */
export function linesAt(
  paragraph: Paragraph,
  { boxes, breaks }: Pick<PageFacts, 'boxes' | 'breaks'>,
  strict: boolean,
  near?: 'fits' | 'breaks',
): LinesAt | undefined {
  const where = roomIn(paragraph, boxes);
  if (hasBrokenWords(paragraph, { boxes, breaks })) return undefined;
  const starts = breakLines(paragraph, where.room, 0, { near, breaks });
  return starts && layOut(paragraph, starts, where.room, strict);
}

/** Lays out lines that are broken at given places. */
export function layOut(paragraph: Paragraph, starts: Int32Array, room: number, strict: boolean): LinesAt {
  const { segments, align } = paragraph;
  const most = paragraph.texts.first.length + starts.length;
  const [text, element, line] = [new Int32Array(most), new Int32Array(most), new Int32Array(most)];
  const plain = { left: new Float64Array(most), right: new Float64Array(most), wide: new Float64Array(starts.length) };
  let count = 0;
  placeTexts(paragraph, starts, room, (one, on, begin, end) => {
    if (end - begin <= 0) return;
    const after = on + 1 < starts.length ? starts[on + 1]! : segments.left.length;
    plain.wide[on] = segments.right[after - 1]! - segments.left[starts[on]!]! + apartAt(paragraph, starts[on]!, after, room);
    text[count] = one;
    element[count] = paragraph.texts.element[one]!;
    line[count] = on;
    plain.left[count] = begin;
    plain.right[count++] = end;
  });
  const styles = stylesOnLines(paragraph, starts, strict);
  const own = align === 0 ? plain : { left: new Float64Array(most), right: new Float64Array(most) };
  const lines = { starts, styles, count, text, element, line, left: own.left, right: own.right, plain };
  moveLines(lines, paragraph, room);
  return lines;
}

/** Moves lines to another room in which they are broken at the same places, and as wide. */
export function moveLines(lines: LinesAt, { align }: Paragraph, room: number): void {
  if (align === 0) return;
  const { plain, line } = lines;
  for (let i = 0; i < lines.count; i++) {
    const free = Math.max(0, room - plain.wide[line[i]!]!) * align;
    lines.left[i] = free + plain.left[i]!;
    lines.right[i] = free + plain.right[i]!;
  }
}

/** Whether two lists of whole numbers are the same. */
export function sameNumbers(a: ArrayLike<number>, b: ArrayLike<number>): boolean {
  if (a === b) return true;
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}
