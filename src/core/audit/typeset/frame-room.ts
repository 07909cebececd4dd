import type { PageFacts } from '../facts';

const NO_LINES = new Float64Array(0);

/** Where the numbers of one viewport are written, and written over for another: thousands of new lists would have to be cleared away. */
export class FrameRoom {
  readonly boxes: Float64Array;
  readonly inset: Float64Array;
  readonly chars: Float64Array;
  readonly rooms: Float64Array;
  readonly lines: Float64Array[];
  /** Where lists of lines are parts of. */
  #all = NO_LINES;
  /** How many of those that moved were followed. */
  #followed = 0;

  constructor({ boxes, inset, chars, lines }: PageFacts) {
    this.boxes = new Float64Array(boxes.length);
    this.inset = new Float64Array(inset.length);
    this.chars = new Float64Array(chars.length);
    this.rooms = new Float64Array(inset.length);
    this.lines = lines.map(() => NO_LINES);
  }

  /** Makes room for an element's lines by itself. @param length four numbers a line */
  setLines(element: number, length: number): Float64Array {
    const own = this.lines[element]!;
    return own.length === length ? own : (this.lines[element] = new Float64Array(length));
  }

  /** Room for all lines that are written at once. */
  roomFor(length: number): Float64Array {
    if (this.#all.length !== length) {
      this.#all = new Float64Array(length);
      this.#followed = 0;
    }
    return this.#all;
  }

  /** Finds the lines of elements in it. @param moved all elements that ever moved, in order @param where their first number, and how many they are */
  follow(moved: readonly number[], where: (element: number) => readonly [number, number]): void {
    for (; this.#followed < moved.length; this.#followed++) {
      const element = moved[this.#followed]!;
      const [begin, length] = where(element);
      const own = this.lines[element]!;
      if (own.buffer !== this.#all.buffer || own.byteOffset !== begin * own.BYTES_PER_ELEMENT || own.length !== length)
        this.lines[element] = this.#all.subarray(begin, begin + length);
    }
  }
}
