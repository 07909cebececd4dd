import type { PageFacts } from '../facts';
import { placeAtoms, placeInline, rowsOf, SAME } from './in-lines';
import type { Starts } from './line-starts';
import { LineStarts } from './line-starts';
import { scrollWidthBetween } from '../sweep/scroll-width';
import type { LinesAt } from './lines-at';
import { layOut, roomIn, sameNumbers } from './lines-at';
import type { Page } from './page';
import type { Between } from './stack';
import type { Shares } from './shares';
import { Stacker } from './stacker';
import { ROUNDED, Roundings } from './roundings';
import { blockOf, looseIn, reachFarthest } from './unread';

const NO_LINES = new Float64Array(0);
/** The unit in which browsers lay out, px. */
const UNIT = 1 / 64;
/** By how much a room that is known to the very unit may be off as computers add, px. */
const EXACTLY = 1e-6;
/** What boxes may bend by that isn't seen where it was looked, px. */
const BENT = 1 / 16;

/** What is worked out of the viewports between two measured ones. */
export class WorkedOut {
  /** 1 for elements of whose lines it isn't known how far they reach. */
  readonly loose: Uint8Array;
  /** What is otherwise at both ends. */
  readonly #moves: { readonly inset: boolean; readonly chars: boolean };
  /** By element how far off the width of a paragraph's box may be, px. */
  readonly #rooms: Float64Array;
  #shares: Shares | undefined;
  readonly #scrollWidth: ReturnType<typeof scrollWidthBetween>;
  /** By paragraph its lines as they were worked out last. */
  readonly #latest: LinesAt[] = [];
  /** By paragraph the styles on its lines as they were last, and what follows from them. */
  readonly #stepped: {
    readonly styles: Uint32Array;
    readonly tops: Float64Array | 'mixed' | undefined;
    /** To be written over each time: thousands of new ones would have to be cleared away. */
    readonly room: Float64Array;
  }[] = [];

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
    const roundings = new Roundings(pair);
    this.#rooms = new Float64Array(this.loose.length);
    for (const { block } of page.set.paragraphs) this.#rooms[block] = roundings.in(block) * ROUNDED + BENT;
  }

  /** @param shares what all that was measured between the two, and both, says of where boxes end */
  lineStarts(shares?: Shares): LineStarts {
    this.#shares = shares;
    return new LineStarts(this.page.set.paragraphs, this.pair, shares);
  }

  #share(width: number): number {
    const [from, to] = [this.pair.a.facts.viewport.width, this.pair.b.facts.viewport.width];
    return (width - from) / (to - from);
  }

  /**
   * Undefined where something isn't known.
   * @param alone whether nothing is worked out between it and others: then rooms of paragraphs are as exact as they are known
   */
  factsAt(width: number, starts: Starts, alone = false): PageFacts | undefined {
    const { a, b } = this.pair;
    const { set } = this.page;
    const share = this.#share(width);
    const boxes = lerped(a.facts.boxes, b.facts.boxes, share);
    const rooms = alone ? this.#exactRooms(width, boxes) : this.#rooms;
    const lines: (LinesAt | undefined)[] = [];
    const tops: (Float64Array | undefined)[] = [];
    for (let p = 0; p < set.paragraphs.length; p++) {
      const begin = starts[p];
      const paragraph = set.paragraphs[p]!;
      const one = begin && layOut(paragraph, begin, roomIn(paragraph, boxes), set.strict, this.#latest[p]);
      if (one) this.#latest[p] = one;
      const found = one && this.#topsOf(p, one, share);
      if (one && !found) return undefined;
      lines.push(one);
      tops.push(found);
    }
    const styles = lines.map((one) => one?.styles);
    const stacker = new Stacker(this.page, this.pair, share, boxes, tops, styles);
    stacker.place(0, boxes[1]!);
    for (let i = 1; i < set.holdsOn.length; i++) {
      const anchor = set.holdsOn[i]!;
      if (anchor < 0 || (boxes[i * 4] === boxes[i * 4 + 2] && boxes[i * 4 + 1] === boxes[i * 4 + 3])) continue;
      const from = (texts: PageFacts) => texts.boxes[i * 4 + 1]! - (anchor === i ? 0 : texts.boxes[anchor * 4 + 1]!);
      const [x, y] = [from(a.facts), from(b.facts)];
      stacker.place(i, (anchor === i ? 0 : boxes[anchor * 4 + 1]!) + x + (y - x) * share);
    }
    return stacker.failed ? undefined : this.#facts(share, width, boxes, lines, tops, rooms);
  }

  /** Puts the sides of paragraphs where they are to the very 1/64 px. @returns how far off they may be then */
  #exactRooms(width: number, boxes: Float64Array): Float64Array {
    const shares = this.#shares;
    if (!shares) return this.#rooms;
    const { a, b } = this.pair;
    const rooms = this.#rooms.slice();
    for (const { block } of this.page.set.paragraphs) {
      const [left, right] = [shares.at(block * 4, width), shares.at(block * 4 + 2, width)];
      if (left === undefined || right === undefined || (boxes[block * 4] === 0 && boxes[block * 4 + 2] === 0)) continue;
      [boxes[block * 4], boxes[block * 4 + 2]] = [left, right];
      rooms[block] = a.facts.inset[block] === b.facts.inset[block] ? EXACTLY : UNIT;
    }
    return rooms;
  }

  /** The tops of a paragraph's lines, from anywhere; undefined where they aren't known. */
  #topsOf(p: number, { styles }: LinesAt, share: number): Float64Array | undefined {
    let known = this.#stepped[p];
    if (known?.styles !== styles)
      this.#stepped[p] = known = { styles, tops: this.#stepsOf(p, styles), room: new Float64Array(styles.length) };
    const { tops, room } = known;
    if (tops === undefined) return undefined;
    if (tops === 'mixed') lerpInto(room, this.pair.a.tops[p]!, this.pair.b.tops[p]!, share);
    else room.set(tops);
    return room;
  }

  /** The same where only the styles on its lines decide; 'mixed' where they are as at both ends. */
  #stepsOf(p: number, own: Uint32Array): Float64Array | 'mixed' | undefined {
    const { a, b } = this.pair;
    const { set, leading, inStack } = this.page;
    const [x, y] = [a.lines[p]!, b.lines[p]!];
    if (sameNumbers(own, x.styles) && sameNumbers(own, y.styles)) return 'mixed';
    const { block, strut } = set.paragraphs[p]!;
    if (!inStack[block]) return undefined;
    const all = [own, x.styles, y.styles];
    const [firstSame, lastSame] = [0, -1].map((at) => all.every((styles) => styles.at(at) === own.at(at)));
    const isKnown = (styles: Uint32Array) =>
      styles.every(
        (some, i) =>
          ((i === 0 && firstSame) || leading.above(strut, some) !== undefined) &&
          ((i === styles.length - 1 && lastSame) || leading.below(strut, some) !== undefined),
      );
    if (!all.every(isKnown)) return undefined;
    const tops = new Float64Array(own.length);
    for (let i = 1; i < tops.length; i++) tops[i] = tops[i - 1]! + leading.step(strut, own[i - 1]!, own[i]!);
    return tops;
  }

  #facts(
    share: number,
    width: number,
    boxes: Float64Array,
    all: readonly (LinesAt | undefined)[],
    tops: readonly (Float64Array | undefined)[],
    rooms: Float64Array,
  ): PageFacts | undefined {
    const { a, b } = this.pair;
    const { set, leading } = this.page;
    if (!placeAtoms(this.page, this.pair, all, tops, boxes)) return undefined;
    const rows = rowsOf(all, set.worked);
    const filled = new Int32Array(set.worked.length);
    for (let p = 0; p < all.length; p++) {
      const one = all[p];
      if (!one) continue;
      const { texts, inlines, strut } = set.paragraphs[p]!;
      for (let i = 0; i < one.count; i++) {
        const element = one.element[i]!;
        if (element < 0) continue;
        const style = texts.style[one.text[i]!]!;
        const top = tops[p]![one.line[i]!]! + (leading.offset(strut, style) ?? 0);
        const own = rows[element]!;
        const row = filled[element]!;
        own[row] = one.origin + one.left[i]!;
        own[row + 1] = top;
        own[row + 2] = one.origin + one.right[i]!;
        own[row + 3] = top + leading.height(style);
        filled[element] = row + 4;
      }
      const [x, y] = [a.reach[p]!, b.reach[p]!];
      for (let i = 0; i < inlines.element.length; i++) {
        if (Math.abs(x.above[i]! - y.above[i]!) > SAME || Math.abs(x.below[i]! - y.below[i]!) > SAME) return undefined;
        placeInline(set.paragraphs[p]!, i, one, tops[p]!, x.above[i]!, x.below[i]!, boxes);
      }
    }
    const [first, last] = [a.facts, b.facts];
    const lines = first.lines.map((own, i) => {
      if (own.length === 0) return own;
      if (set.worked[i]) return rows[i] ?? NO_LINES;
      const mixed = lerped(own, last.lines[i]!, share);
      // They keep their place in the block that holds them.
      const block = blockOf(first, i) * 4;
      const [across, down] = [0, 1].map((side) => {
        const [x, y] = [first.boxes[block + side]!, last.boxes[block + side]!];
        return boxes[block + side]! - (x + (y - x) * share);
      });
      for (let at = 0; at < mixed.length; at += 2) {
        mixed[at]! += across!;
        mixed[at + 1]! += down!;
      }
      return mixed;
    });
    const { loose } = this;
    loose.forEach((one, i) => one && reachFarthest(i, first, last, share, lines[i]!, boxes));
    const bottom = ({ scrollHeight, boxes: all_ }: PageFacts) => scrollHeight - all_[3]!;
    const { height } = first.viewport;
    const low = Math.min(first.scrollHeight, last.scrollHeight) <= height;
    if (low && Math.max(first.scrollHeight, last.scrollHeight) > height) return undefined;
    const wide = first.scrollWidth > first.viewport.width;
    return {
      ...first,
      viewport: { width, height },
      boxes,
      lines,
      inset: this.#moves.inset ? lerped(first.inset, last.inset, share) : first.inset,
      chars: this.#moves.chars ? lerped(first.chars, last.chars, share) : first.chars,
      scrollWidth: wide ? this.#scrollWidth({ boxes, lines, shown: first.shown }, share) : width,
      scrollHeight: low ? height : boxes[3]! + bottom(first) + (bottom(last) - bottom(first)) * share,
      doubt: { loose, sized: false, rooms },
    };
  }
}

function lerped(a: Float64Array, b: Float64Array, share: number): Float64Array {
  // What is worked out is corrected in place; what was measured stays.
  if (a === b) return a.slice();
  const mixed = new Float64Array(a.length);
  lerpInto(mixed, a, b, share);
  return mixed;
}

function lerpInto(mixed: Float64Array, a: Float64Array, b: Float64Array, share: number): void {
  for (let i = 0; i < mixed.length; i++) mixed[i] = a[i]! + (b[i]! - a[i]!) * share;
}
