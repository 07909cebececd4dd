import type { PageFacts } from '../facts';
import { isSized, sameBesidesLines } from '../sweep/straight';
import { breakLines, isRoomy } from './break-lines';
import { Leading } from './leading';
import type { LinesAt } from './lines-at';
import { layOut, roomIn, sameNumbers } from './lines-at';
import type { MeasuredTexts } from './measured-texts';
import { findLines, readTops } from './measured-texts';
import type { Paragraph, Typesetting } from './paragraph';
import { Rule } from '../codes';
import type { Between } from './stack';
import { gapsIn, stacked, Stacker } from './stack';

/** Worked-out distances that should be the same and differ by more, px, aren't what they are taken for. */
const SAME = 0.05;
/** Both sides of a box are rounded to 1/64 px. */
const ROUNDED = 1 / 32;
/** A block this many times as high as its type may hold more than one line. */
const LINES_LEAST = 1.9;

/**
 * Works out what a page is like between two measured viewports in which its texts stand on other lines: text is broken as browsers do, and
 * what stands below is moved.
 */
export class Typesetter {
  #set: Typesetting;
  readonly #leading: Leading;
  readonly #texts = new Map<number, MeasuredTexts>();
  #inside: number[][] = [];
  #inStack: Uint8Array = new Uint8Array(0);

  constructor(
    set: Typesetting,
    private readonly parents: (i: number) => number,
  ) {
    this.#set = set;
    this.#leading = new Leading(set.leading);
    this.#settle();
  }

  #settle(): void {
    const { paragraphs, rule } = this.#set;
    this.#inside = Array.from({ length: rule.length }, () => []);
    paragraphs.forEach(({ block }, p) => this.#inside[block]!.push(p));
    this.#inStack = stacked(this.#set, this.parents);
  }

  /** Takes in what was measured; paragraphs that weren't as worked out are left to measuring from then on. */
  takeIn(facts: PageFacts): MeasuredTexts {
    const { width } = facts.viewport;
    const known = this.#texts.get(width);
    if (known) {
      if (known.version !== this.#leading.version) readTops(this.#set, known, this.#leading);
      return known;
    }
    for (;;) {
      const lines = findLines(this.#set, facts);
      if ('wrong' in lines) {
        this.#leaveOut(lines.wrong);
        continue;
      }
      const texts: MeasuredTexts = { facts, lines, version: 0, tops: [], reach: [] };
      const wrong = readTops(this.#set, texts, this.#leading);
      if (wrong.length > 0) {
        this.#leaveOut(wrong);
        continue;
      }
      this.#texts.set(width, texts);
      return texts;
    }
  }

  forget(width: number): void {
    this.#texts.delete(width);
  }

  #leaveOut(wrong: readonly number[]): void {
    const { paragraphs, ...set } = this.#set;
    const blocks = new Set(wrong.map((p) => paragraphs[p]!.block));
    const [rule, unread, worked] = [set.rule.slice(), set.unread.slice(), set.worked.slice()];
    const kept = paragraphs.map((one, p) => {
      if (!blocks.has(one.block)) return p;
      rule[one.block] = Rule.other;
      for (const element of one.texts.element) if (element >= 0) [unread[element], worked[element]] = [1, 0];
      return -1;
    });
    const order = kept.filter((p) => p >= 0);
    const now = new Map(order.map((p, i) => [p, i]));
    const units = set.units.map((list) =>
      list.flatMap((unit) => (unit >= 0 ? [unit] : now.has(-1 - unit) ? [-1 - now.get(-1 - unit)!] : [])),
    );
    this.#set = { ...set, rule, unread, worked, units, paragraphs: order.map((p) => paragraphs[p]!) };
    this.#texts.clear();
    this.#settle();
  }

  /** What is known of all viewports between two measured ones; undefined where more than the lines of texts differs. */
  between(first: PageFacts, last: PageFacts): BetweenTwo | undefined {
    if (!sameBesidesLines(first, last) || isSized(first, last)) return undefined;
    // What is left out of the second makes what was taken in of the first of no use.
    this.takeIn(first);
    const b = this.takeIn(last);
    const a = this.takeIn(first);
    const set = this.#set;
    for (let i = 0; i < set.unread.length; i++) if (set.unread[i] && !this.#standsAlike(i, first, last)) return undefined;
    if (a.lines.some((one, p) => (one === undefined) !== (b.lines[p] === undefined))) return undefined;
    const pair: Between = { a, b, gapsA: gapsIn(set, a, this.#leading), gapsB: gapsIn(set, b, this.#leading) };
    const from = first.viewport.width;
    const span = last.viewport.width - from;
    const shareOf = (width: number) => (width - from) / span;
    return {
      loose: this.#looseIn(first, first.boxes, first.lines),
      startsAt: (width) => this.#startsAt(pair, shareOf(width)),
      factsAt: (width, starts) => this.#factsAt(pair, shareOf(width), width, starts),
    };
  }

  /** Whether text whose lines aren't worked out stands on as many, at the same heights, in a block as high. */
  #standsAlike(element: number, a: PageFacts, b: PageFacts): boolean {
    const block = this.#blockOf(a, element) * 4;
    const [x, y] = [a.lines[element]!, b.lines[element]!];
    if (x.length !== y.length) return false;
    const same = (p: number, q: number) => Math.abs(p - a.boxes[block + 1]! - (q - b.boxes[block + 1]!)) < SAME;
    for (let at = 1; at < x.length; at += 2) if (!same(x[at]!, y[at]!)) return false;
    return same(a.boxes[block + 3]!, b.boxes[block + 3]!);
  }

  /** Of text whose lines aren't worked out, what stands on several: words may go from one to the other. */
  #looseIn(facts: PageFacts, boxes: Float64Array, lines: readonly Float64Array[]): Uint8Array {
    const { unread } = this.#set;
    const loose = new Uint8Array(unread.length);
    for (let i = 0; i < unread.length; i++) {
      if (!unread[i] || lines[i]!.length === 0) continue;
      const block = this.#blockOf(facts, i) * 4;
      const high = lines[i]![3]! - lines[i]![1]!;
      if (lines[i]!.length > 4 || boxes[block + 3]! - boxes[block + 1]! > high * LINES_LEAST) loose[i] = 1;
    }
    return loose;
  }

  #startsAt({ a, b }: Between, share: number): Starts | undefined {
    const { paragraphs } = this.#set;
    const [x, y] = [a.facts.boxes, b.facts.boxes];
    const span = b.facts.viewport.width - a.facts.viewport.width;
    const all: (Int32Array | undefined)[] = [];
    for (let p = 0; p < paragraphs.length; p++) {
      if (!a.lines[p]) {
        all.push(undefined);
        continue;
      }
      const { block, insetLeft, insetRight } = paragraphs[p]!;
      const side = (at: number) => x[at]! + (y[at]! - x[at]!) * share;
      const room = side(block * 4 + 2) - insetRight - side(block * 4) - insetLeft;
      if (a.facts.breaks[block] && !isRoomy(paragraphs[p]!, room)) return undefined;
      // What follows the window by a share of its width is rounded at every width.
      const isExact = [0, 2].every((at) => [0, span].includes(y[block * 4 + at]! - x[block * 4 + at]!));
      const starts = breakLines(paragraphs[p]!, room, isExact ? 0 : ROUNDED);
      if (!starts) return undefined;
      all.push(starts);
    }
    return all;
  }

  #factsAt(pair: Between, share: number, width: number, starts: Starts): PageFacts | undefined {
    const { a, b } = pair;
    const set = this.#set;
    const boxes = lerped(a.facts.boxes, b.facts.boxes, share);
    const lines: (LinesAt | undefined)[] = [];
    const tops: (Float64Array | undefined)[] = [];
    for (let p = 0; p < set.paragraphs.length; p++) {
      const begin = starts[p];
      const paragraph = set.paragraphs[p]!;
      const one = begin && layOut(paragraph, begin, roomIn(paragraph, boxes), set.strict);
      const found = one && this.#topsOf(pair, p, one, share);
      if (one && !found) return undefined;
      lines.push(one);
      tops.push(found);
    }
    const stacker = new Stacker(
      set,
      this.#leading,
      pair,
      share,
      boxes,
      tops,
      lines.map((one) => one?.styles),
      this.#inside,
    );
    stacker.place(0, boxes[1]!);
    for (let i = 1; i < set.holdsOn.length; i++) {
      const anchor = set.holdsOn[i]!;
      if (anchor < 0 || (boxes[i * 4] === boxes[i * 4 + 2] && boxes[i * 4 + 1] === boxes[i * 4 + 3])) continue;
      const from = (texts: PageFacts) => texts.boxes[i * 4 + 1]! - (anchor === i ? 0 : texts.boxes[anchor * 4 + 1]!);
      const [x, y] = [from(a.facts), from(b.facts)];
      stacker.place(i, (anchor === i ? 0 : boxes[anchor * 4 + 1]!) + x + (y - x) * share);
    }
    return stacker.failed ? undefined : this.#facts(pair, share, width, boxes, lines, tops);
  }

  /** The tops of a paragraph's lines, from anywhere; undefined where they aren't known. */
  #topsOf({ a, b }: Between, p: number, one: LinesAt, share: number): Float64Array | undefined {
    const [x, y] = [a.lines[p]!, b.lines[p]!];
    const [fromA, fromB] = [a.tops[p]!, b.tops[p]!];
    if (sameNumbers(one.styles, x.styles) && sameNumbers(one.styles, y.styles)) return lerped(fromA, fromB, share);
    const { block, strut } = this.#set.paragraphs[p]!;
    if (!this.#inStack[block]) return undefined;
    const all = [one.styles, x.styles, y.styles];
    const [firstSame, lastSame] = [0, -1].map((at) => all.every((styles) => styles.at(at) === one.styles.at(at)));
    const isKnown = (styles: Uint32Array) =>
      styles.every(
        (some, i) =>
          ((i === 0 && firstSame) || this.#leading.above(strut, some) !== undefined) &&
          ((i === styles.length - 1 && lastSame) || this.#leading.below(strut, some) !== undefined),
      );
    if (!all.every(isKnown)) return undefined;
    const tops = new Float64Array(one.styles.length);
    for (let i = 1; i < tops.length; i++)
      tops[i] = tops[i - 1]! + this.#leading.below(strut, one.styles[i - 1]!)! + this.#leading.above(strut, one.styles[i]!)!;
    return tops;
  }

  #facts(
    { a, b }: Between,
    share: number,
    width: number,
    boxes: Float64Array,
    all: readonly (LinesAt | undefined)[],
    tops: readonly (Float64Array | undefined)[],
  ): PageFacts | undefined {
    const set = this.#set;
    const leading = this.#leading;
    if (!this.#placeAtoms(a, b, all, tops, boxes)) return undefined;
    const rows = rowsOf(set.paragraphs, all, set.worked);
    const filled = new Int32Array(set.worked.length);
    for (let p = 0; p < all.length; p++) {
      const one = all[p];
      if (!one) continue;
      const { texts, inlines, strut } = set.paragraphs[p]!;
      for (let i = 0; i < one.count; i++) {
        const text = one.text[i]!;
        const element = texts.element[text]!;
        if (element < 0) continue;
        const style = texts.style[text]!;
        const top = tops[p]![one.line[i]!]! + (leading.offset(strut, style) ?? 0);
        const own = rows[element]!;
        const row = filled[element]!;
        own[row] = one.left[i]!;
        own[row + 1] = top;
        own[row + 2] = one.right[i]!;
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
      const block = this.#blockOf(first, i) * 4;
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
    const loose = this.#looseIn(first, boxes, lines);
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
      inset: lerped(first.inset, last.inset, share),
      chars: lerped(first.chars, last.chars, share),
      scrollWidth: wide ? Math.round(first.scrollWidth + (last.scrollWidth - first.scrollWidth) * share) : width,
      scrollHeight: low ? height : boxes[3]! + bottom(first) + (bottom(last) - bottom(first)) * share,
      doubt: { loose, sized: false },
    };
  }

  /** Moves what stands in lines like a letter, and all in it, to its place; whether it is the same at both ends. */
  #placeAtoms(
    a: MeasuredTexts,
    b: MeasuredTexts,
    all: readonly (LinesAt | undefined)[],
    tops: readonly (Float64Array | undefined)[],
    boxes: Float64Array,
  ): boolean {
    const set = this.#set;
    for (let p = 0; p < all.length; p++) {
      const one = all[p];
      if (!one) continue;
      const { atoms } = set.paragraphs[p]!;
      for (let i = 0; i < atoms.element.length; i++) {
        const element = atoms.element[i]!;
        const [x, y] = [a.reach[p]!.atoms[i]!, b.reach[p]!.atoms[i]!];
        const high = ({ facts }: MeasuredTexts) => facts.boxes[element * 4 + 3]! - facts.boxes[element * 4 + 1]!;
        if (Math.abs(x - y) > SAME || Math.abs(high(a) - high(b)) > SAME) return false;
        const at = one.text.indexOf(atoms.text[i]!);
        if (at < 0 || at >= one.count) continue;
        const across = one.left[at]! + atoms.before[i]! - boxes[element * 4]!;
        const down = tops[p]![one.line[at]!]! + x - boxes[element * 4 + 1]!;
        for (let inner = element; inner < set.behind[element]!; inner++) {
          const box = inner * 4;
          boxes[box]! += across;
          boxes[box + 2]! += across;
          boxes[box + 1]! += down;
          boxes[box + 3]! += down;
          for (const other of this.#inside[inner]!) {
            const lines = all[other];
            if (!lines) continue;
            for (let k = 0; k < lines.count; k++) {
              lines.left[k]! += across;
              lines.right[k]! += across;
            }
            for (let k = 0; k < tops[other]!.length; k++) tops[other]![k]! += down;
          }
        }
      }
    }
    return true;
  }

  #blockOf({ level }: PageFacts, i: number): number {
    let at = i;
    while (at > 0 && level[at] === 1) at = this.parents(at);
    return at;
  }
}

/** By paragraph the first segment of each of its lines; undefined where it isn't rendered. */
export type Starts = readonly (Int32Array | undefined)[];

/** What is worked out of the viewports between two measured ones. */
export interface BetweenTwo {
  /** 1 for elements of whose lines it isn't known how far they reach. */
  readonly loose: Uint8Array;
  /** Undefined where it isn't known. */
  readonly startsAt: (width: number) => Starts | undefined;
  readonly factsAt: (width: number, starts: Starts) => PageFacts | undefined;
}

const NO_LINES = new Float64Array(0);

/** By element room for all its lines. */
function rowsOf(
  paragraphs: readonly Paragraph[],
  all: readonly (LinesAt | undefined)[],
  worked: Uint8Array,
): (Float64Array | undefined)[] {
  const counts = new Int32Array(worked.length);
  for (let p = 0; p < all.length; p++) {
    const one = all[p];
    if (!one) continue;
    const { element } = paragraphs[p]!.texts;
    for (let i = 0; i < one.count; i++) {
      const at = element[one.text[i]!]!;
      if (at >= 0) counts[at]!++;
    }
  }
  return Array.from(counts, (count) => (count > 0 ? new Float64Array(count * 4) : undefined));
}

function lerped(a: Float64Array, b: Float64Array, share: number): Float64Array {
  if (a === b) return a;
  const mixed = new Float64Array(a.length);
  for (let i = 0; i < mixed.length; i++) mixed[i] = a[i]! + (b[i]! - a[i]!) * share;
  return mixed;
}

function placeInline(
  { inlines, pieces }: Paragraph,
  i: number,
  one: LinesAt,
  tops: Float64Array,
  above: number,
  below: number,
  boxes: Float64Array,
): void {
  const [first, last] = [pieces.text[inlines.first[i]!]!, pieces.text[inlines.last[i]!]!];
  let [left, right] = [Infinity, -Infinity];
  let [begin, end] = [-1, 0];
  for (let at = 0; at < one.count; at++) {
    const text = one.text[at]!;
    if (text < first || text > last) continue;
    const isLast = at + 1 === one.count || one.text[at + 1]! > last;
    left = Math.min(left, one.left[at]! - (begin < 0 ? inlines.before[i]! : 0));
    right = Math.max(right, one.right[at]! + (isLast ? inlines.after[i]! : 0));
    if (begin < 0) begin = one.line[at]!;
    end = Math.max(end, one.line[at]!);
  }
  if (begin < 0) return;
  const box = inlines.element[i]! * 4;
  boxes[box] = left;
  boxes[box + 1] = tops[begin]! + above;
  boxes[box + 2] = right;
  boxes[box + 3] = tops[end]! + below;
}
