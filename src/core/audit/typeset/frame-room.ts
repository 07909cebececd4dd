import type { PageFacts } from '../facts';

const NO_LINES = new Float64Array(0);

/** Where the numbers of one viewport are written, and written over for another: thousands of new lists would have to be cleared away. */
export class FrameRoom {
  readonly boxes: Float64Array;
  readonly inset: Float64Array;
  readonly chars: Float64Array;
  readonly rooms: Float64Array;
  readonly lines: Float64Array[];

  constructor({ boxes, inset, chars, lines }: PageFacts) {
    this.boxes = new Float64Array(boxes.length);
    this.inset = new Float64Array(inset.length);
    this.chars = new Float64Array(chars.length);
    this.rooms = new Float64Array(inset.length);
    this.lines = lines.map(() => NO_LINES);
  }

  /** Makes room for an element's lines. @param length four numbers a line */
  setLines(element: number, length: number): Float64Array {
    const own = this.lines[element]!;
    return own.length === length ? own : (this.lines[element] = new Float64Array(length));
  }
}
