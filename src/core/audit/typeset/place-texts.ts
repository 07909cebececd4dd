import type { Paragraph } from './paragraph';
import { rounded } from './break-lines';
import { apartAt } from './text-ends';

/** Receives the parts of texts on lines: in the order of the texts, and of the lines in each. */
export type OnLine = (text: number, line: number, left: number, right: number) => void;

/**
 * Where each text lies on each line, from the line's left end, px. Spaces at a line's ends take no room.
 */
export function placeTexts(paragraph: Paragraph, starts: Int32Array, room: number, tell: OnLine): void {
  const { segments, pieces, texts, exact } = paragraph;
  const lineOf = (segment: number, from: number) => {
    let line = from;
    while (line + 1 < starts.length && starts[line + 1]! <= segment) line++;
    return line;
  };
  let line = 0;
  /** How much further right texts lie on this line, since those before them are rounded up. */
  let [shift, shifted] = [0, 0];
  for (let text = 0; text < texts.first.length; text++) {
    const last = texts.last[text]!;
    let at = texts.first[text]!;
    line = lineOf(pieces.segment[at]!, line);
    while (at <= last) {
      const begin = starts[line]!;
      const end = line + 1 < starts.length ? starts[line + 1]! : segments.left.length;
      const first = at;
      while (at <= last && pieces.segment[at]! < end) at++;
      const leads = first === texts.first[text] && !startsLine(pieces, first, begin);
      const trails = at > last && !endsLine(pieces, last, end);
      const origin = segments.left[begin]!;
      if (shifted !== line) [shift, shifted] = [0, line];
      const left = leads ? texts.left[text]! : pieces.left[first]!;
      const isLast = endsLine(pieces, at - 1, end);
      const right = (trails ? texts.right[text]! : pieces.right[at - 1]!) + (isLast ? apartAt(paragraph, begin, end, room) : 0);
      tell(text, line, left - origin + shift, right - origin + shift);
      shift += rounded(right - left, exact, leads && trails) - (right - left);
      if (at <= last) line++;
    }
  }
}

/** Whether nothing stands before a piece on its line. */
const startsLine = (pieces: Paragraph['pieces'], piece: number, begin: number) =>
  pieces.segment[piece] === begin && (piece === 0 || pieces.segment[piece - 1]! < begin);

const endsLine = (pieces: Paragraph['pieces'], piece: number, end: number) =>
  piece + 1 === pieces.segment.length || pieces.segment[piece + 1]! >= end;
