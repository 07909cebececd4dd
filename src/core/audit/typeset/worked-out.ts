import type { Off, PageFacts } from '../facts';
import { freeFloor, narrowsAny } from './floats';
import { FrameRoom } from './frame-room';
import { placeAtoms } from './in-lines';
import { LaidLines } from './laid-lines';
import { LineMoves } from './line-moves';
import type { Starts } from './line-starts';
import { LineStarts } from './line-starts';
import { scrollWidthBetween } from '../sweep/scroll-width';
import { sameNumbers } from './lines-at';
import type { Page } from './page';
import type { Between } from './stack';
import type { Shares } from './shares';
import { Stacker } from './stacker';
import { placeOut } from './place-out';
import { ROUNDED, Roundings } from './roundings';
import { blockOf, looseIn, reachFarthest } from './unread';
import { UNIT } from '../layout-unit';

/** By how much a room that is known to the very unit may be off as computers add, px. */
const EXACTLY = 1e-6;
/** What boxes may bend by that isn't seen where it was looked, px. */
const BENT = 1 / 16;

/** What is worked out of the viewports between two measured ones. */
export class WorkedOut {
  /** 1 for elements of whose lines it isn't known how far they reach. */
  readonly loose: Uint8Array;
  /** Elements with lines that don't begin at the left of their room. */
  readonly aligned: readonly number[];
  /** What is otherwise at both ends. */
  readonly #moves: { readonly inset: boolean; readonly chars: boolean };
  /** By element how far off the width of a paragraph's box may be, px. */
  readonly #rooms: Float64Array;
  #shares: Shares | undefined;
  /** All in which paragraphs stand. */
  readonly #blocks: readonly number[];
  readonly #scrollWidth: ReturnType<typeof scrollWidthBetween>;
  readonly #laid: LaidLines;
  /** Paragraphs in which something stands like a letter. */
  readonly #holding: readonly number[];
  /** Elements with text whose lines aren't worked out, and those of which it isn't known how far they reach. */
  readonly #unread: readonly number[];
  readonly #loose: readonly number[];
  readonly #lineMoves: LineMoves;
  /** Of two viewports at a time, the ends of what is judged at once. */
  readonly #frames: readonly [FrameRoom, FrameRoom];
  #turn = 0;
  /** How far off any position may be, once it was looked. */
  #off: Off | undefined;

  constructor(
    private readonly page: Page,
    private readonly pair: Between,
  ) {
    const [first, last] = [pair.a, pair.b].map(({ facts }) => looseIn(page.set.unread, facts));
    // Its block may be high enough for several lines at one end only.
    this.loose = first!.map((one, i) => one | last![i]!);
    const [{ facts: a }, { facts: b }] = [pair.a, pair.b];
    this.#moves = { inset: !sameNumbers(a.inset, b.inset), chars: !sameNumbers(a.chars, b.chars) };
    this.#scrollWidth = scrollWidthBetween(a, b);
    const { paragraphs, worked } = page.set;
    this.aligned = paragraphs.flatMap(({ align, texts }) => (align === 0 ? [] : [...texts.element].filter((one) => one >= 0)));
    const roundings = new Roundings(pair);
    this.#rooms = new Float64Array(this.loose.length);
    for (const { block } of paragraphs) this.#rooms[block] = roundings.in(block) * ROUNDED + BENT;
    this.#blocks = [...new Set(paragraphs.map(({ block }) => block))].sort((one, other) => one - other);
    this.#laid = new LaidLines(page, pair);
    this.#holding = paragraphs.flatMap(({ atoms }, p) => (atoms.element.length > 0 ? [p] : []));
    this.#unread = a.lines.flatMap(({ length }, i) => (length > 0 && !worked[i] ? [i] : []));
    this.#loose = Array.from(this.loose).flatMap((one, i) => (one ? [i] : []));
    this.#lineMoves = new LineMoves(page.set);
    this.#frames = [new FrameRoom(a), new FrameRoom(a)];
  }

  /** @param shares what all that was measured between the two, and both, says of where boxes end */
  lineStarts(shares?: Shares): LineStarts {
    this.#shares = shares;
    return new LineStarts(this.page.set.paragraphs, this.pair, shares);
  }

  /**
   * Whether nothing but how far lines reach is otherwise where texts are broken in two ways.
   * @param moved receives the paragraphs in which it is
   */
  areAlike(a: Starts, b: Starts, moved: Set<number>): boolean {
    return this.#lineMoves.areAlike(a, b, moved);
  }

  /** 1 for elements of whose lines it isn't known how far they reach, if words of some paragraphs go from line to line. */
  looseWith(moved: Iterable<number>): Uint8Array {
    const loose = this.loose.slice();
    for (const element of this.#lineMoves.elementsOf(moved)) loose[element] = 1;
    return loose;
  }

  /** @param off how far off any position may be, by what was seen where it was looked */
  isWithin(off: Off): void {
    this.#off = off;
  }

  #share(width: number): number {
    const [from, to] = [this.pair.a.facts.viewport.width, this.pair.b.facts.viewport.width];
    return (width - from) / (to - from);
  }

  /**
   * Undefined where something isn't known. Facts of the call before the last are overwritten.
   * @param alone whether nothing is worked out between it and others: then rooms of paragraphs are as exact as they are known
   */
  factsAt(width: number, starts: Starts, alone = false): PageFacts | undefined {
    const { a, b } = this.pair;
    const { set } = this.page;
    const share = this.#share(width);
    const frame = this.#frames[(this.#turn ^= 1)]!;
    const { boxes } = frame;
    lerpInto(boxes, a.facts.boxes, b.facts.boxes, share);
    const rooms = alone ? this.#exactRooms(width, frame) : this.#rooms;
    const laid = this.#laid;
    if (!laid.set(starts, boxes, share)) return undefined;
    const stacker = new Stacker(this.page, this.pair, share, boxes, laid.texts);
    stacker.place(0, boxes[1]!);
    placeOut(stacker);
    if (stacker.failed || stacker.open.size > 0) return undefined;
    if (!placeAtoms(this.page, this.pair, this.#holding, laid, boxes, share) || narrowsAny(set, boxes, laid.lines))
      return undefined;
    laid.write(frame);
    for (const i of this.#unread) this.#moveUnread(i, frame, share);
    return this.#facts(frame, width, share, rooms);
  }

  /** Puts the sides of paragraphs where they are to the very 1/64 px. @returns how far off they may be then */
  #exactRooms(width: number, { boxes, rooms }: FrameRoom): Float64Array {
    const shares = this.#shares;
    if (!shares) return this.#rooms;
    const { a, b } = this.pair;
    rooms.set(this.#rooms);
    const sides = shares.all(width, this.#blocks);
    for (const block of this.#blocks) {
      const left = sides[block * 4]!;
      const right = sides[block * 4 + 2]!;
      if (left !== left || right !== right || (boxes[block * 4] === 0 && boxes[block * 4 + 2] === 0)) continue;
      boxes[block * 4] = left;
      boxes[block * 4 + 2] = right;
      rooms[block] = a.facts.inset[block] === b.facts.inset[block] ? EXACTLY : UNIT;
    }
    return rooms;
  }

  /** Lines that aren't worked out keep their place in the block that holds them. */
  #moveUnread(i: number, frame: FrameRoom, share: number): void {
    const [{ facts: first }, { facts: last }] = [this.pair.a, this.pair.b];
    const lines = frame.setLines(i, first.lines[i]!.length);
    lerpInto(lines, first.lines[i]!, last.lines[i]!, share);
    const block = blockOf(first, i) * 4;
    const off = (side: number) => {
      const [x, y] = [first.boxes[block + side]!, last.boxes[block + side]!];
      return frame.boxes[block + side]! - (x + (y - x) * share);
    };
    const [across, down] = [off(0), off(1)];
    for (let at = 0; at < lines.length; at += 2) {
      lines[at]! += across;
      lines[at + 1]! += down;
    }
  }

  #facts({ boxes, lines, ...frame }: FrameRoom, width: number, share: number, rooms: Float64Array): PageFacts | undefined {
    const [first, last] = [this.pair.a.facts, this.pair.b.facts];
    const { loose } = this;
    for (const i of this.#loose) reachFarthest(i, first, last, share, lines[i]!, boxes);
    const bottom = ({ scrollHeight, boxes: all_ }: PageFacts) => scrollHeight - all_[3]!;
    const { height } = first.viewport;
    const low = Math.min(first.scrollHeight, last.scrollHeight) <= height;
    if (low && Math.max(first.scrollHeight, last.scrollHeight) > height) return undefined;
    const wide = first.scrollWidth > first.viewport.width;
    const scrollHeight = low ? height : boxes[3]! + bottom(first) + (bottom(last) - bottom(first)) * share;
    // Floats that nothing holds reach out of the page's end.
    const { floats } = this.page.set;
    if (floats && [first.boxes, last.boxes, boxes].some((all) => freeFloor(floats, all) > all[3]!)) return undefined;
    return {
      ...first,
      viewport: { width, height },
      boxes,
      lines,
      inset: this.#moves.inset ? lerpInto(frame.inset, first.inset, last.inset, share) : first.inset,
      chars: this.#moves.chars ? lerpInto(frame.chars, first.chars, last.chars, share) : first.chars,
      scrollWidth: wide ? this.#scrollWidth({ boxes, lines, shown: first.shown }, share) : width,
      scrollHeight,
      doubt: { loose, sized: false, rooms, off: this.#off },
    };
  }
}

function lerpInto(mixed: Float64Array, a: Float64Array, b: Float64Array, share: number): Float64Array {
  for (let i = 0; i < mixed.length; i++) mixed[i] = a[i]! + (b[i]! - a[i]!) * share;
  return mixed;
}
