import type { PageFacts } from '../facts';
import { Level } from '../codes';
import { breakEitherWay, breakLines, isRoomy } from './break-lines';
import { sameNumbers } from './lines-at';
import type { Paragraph } from './paragraph';
import { ROUNDED, Roundings } from './roundings';
import type { Shares } from './shares';
import type { Between } from './stack';
import { isBrokenSteadily, mayTurn, turnsAt } from './text-ends';
import { blockOf } from './unread';

/** A box whose width differs by less, px, is as wide. */
const UNMOVED = 1e-3;

/** A room that bends by more somewhere between, px, is seen to where it is looked. */
const BENT = 0.5;

/** Of more texts at one width isn't told in which ways all of them may be broken. */
const OPEN_MOST = 2;

/** By paragraph the first segment of each of its lines; undefined where it isn't rendered. */
export type Starts = readonly (Int32Array | undefined)[];
/** The same of one; null where it isn't known. */
type OwnStarts = Int32Array | undefined | null;

/** On which lines texts stand between two measured viewports. */
export class LineStarts {
  readonly #roundings: Roundings;
  readonly #from: number;
  readonly #to: number;
  /** At each width, once it was asked for all. */
  #all: readonly OwnStarts[][] | undefined;

  /** Paragraphs of which lines that are broken at the same places may be wider in more room. */
  readonly #turning: readonly number[];

  /** @param shares what all that was measured says of where boxes end */
  constructor(
    private readonly paragraphs: readonly Paragraph[],
    private readonly pair: Between,
    private readonly shares?: Shares,
  ) {
    this.#roundings = new Roundings(pair);
    this.#turning = paragraphs.flatMap((one, p) => (mayTurn(one) ? [p] : []));
    [this.#from, this.#to] = [pair.a.facts.viewport.width, pair.b.facts.viewport.width];
  }

  /** Of all texts; undefined where it isn't known. */
  at(width: number): Starts | undefined {
    const all = this.paragraphs.map((_, p) => this.#own(p, width));
    return all.includes(null) ? undefined : (all as Starts);
  }

  /**
   * Where a few texts come so near to the room they have that it isn't known how they are broken: all the ways in which all may be, as they
   * would be at a width. Undefined where there are too many.
   */
  waysAt(width: number): readonly Starts[] | undefined {
    const known = this.#all?.[width - this.#from] ?? this.paragraphs.map((_, p) => this.#own(p, width));
    const open = known.flatMap((one, p) => (one === null ? [p] : []));
    if (open.length > OPEN_MOST) return undefined;
    let ways: OwnStarts[][] = [known];
    for (const p of open) {
      const both = this.#eitherWay(p, width);
      if (!both) return undefined;
      ways = ways.flatMap((way) => both.map((one) => way.map((own, at) => (at === p ? one : own))));
    }
    return ways as Starts[];
  }

  #eitherWay(p: number, width: number): readonly [Int32Array, Int32Array] | undefined {
    const { room, off } = this.#roomOf(p, width);
    const paragraph = this.paragraphs[p]!;
    const { level, breaks } = this.pair.a.facts;
    const { block } = paragraph;
    // A box that is as wide as its lines would be of another width, too.
    if (level[block] === Level.inlineBlock || (breaks[block] && !isRoomy(paragraph, room))) return undefined;
    return breakEitherWay(paragraph, room, off, breaks);
  }

  /** The same at each width from one that was measured to the other. */
  all(): (Starts | undefined)[] {
    const widths = this.#to - this.#from + 1;
    const all = Array.from({ length: widths }, () => new Array<OwnStarts>(this.paragraphs.length));
    for (let p = 0; p < this.paragraphs.length; p++) {
      const isSteady = isBrokenSteadily(this.paragraphs[p]!);
      const settled = (width: number, like: OwnStarts): OwnStarts => {
        const found = this.#own(p, width, ROUNDED);
        return found && like && sameNumbers(found, like) ? like : found;
      };
      const fill = (first: number, last: number, a: OwnStarts, b: OwnStarts): void => {
        if (isSteady && a !== null && a === b) for (let i = first; i < last; i++) all[i]![p] = a;
        else if (last - first < 2) all[first]![p] = a ?? this.#own(p, this.#from + first);
        else {
          const middle = (first + last) >> 1;
          const found = settled(this.#from + middle, a);
          fill(first, middle, a, found);
          fill(middle, last, found && b && sameNumbers(found, b) ? b : found, b);
        }
      };
      const begin = settled(this.#from, null);
      const end = settled(this.#to, begin);
      fill(0, widths - 1, begin, end);
      all[widths - 1]![p] = end ?? this.#own(p, this.#to);
      // What is the same is the same list, so that nothing is set once more.
      let before: OwnStarts;
      for (const own of all) {
        const one = own[p];
        if (one && before && one !== before && sameNumbers(one, before)) own[p] = before;
        before = own[p] ?? before;
      }
    }
    for (const p of this.#turning)
      all.forEach((own, i) => {
        if (own[p] && !this.#turnsAt(p, this.#from + i, own[p])) own[p] = null;
      });
    this.#all = all;
    return all.map((own) => (own.includes(null) ? undefined : (own as Starts)));
  }

  /** Paragraphs that are broken at the same places at a width and at the next, and yet some line is wider at one of them. Once all were asked for. */
  turnedBehind(width: number): number[] {
    const [own, next] = [this.#all![width - this.#from]!, this.#all![width + 1 - this.#from]!];
    return this.#turning.filter((p) => {
      const [a, b] = [own[p], next[p]];
      if (!a || !b || !sameNumbers(a, b)) return false;
      return !sameNumbers(this.#turnsAt(p, width, a)!, this.#turnsAt(p, width + 1, b)!);
    });
  }

  #turnsAt(p: number, width: number, starts: Int32Array): Uint8Array | undefined {
    const { room, off } = this.#roomOf(p, width);
    return turnsAt(this.paragraphs[p]!, starts, room, off);
  }

  #wideAtEnds(block: number): [number, number] {
    const wide = ({ facts: { boxes } }: Between['a']) => boxes[block * 4 + 2]! - boxes[block * 4]!;
    return [wide(this.pair.a), wide(this.pair.b)];
  }

  /** How long lines of a paragraph may be, and how far off that may be, px. */
  #roomOf(p: number, width: number): { readonly room: number; readonly off: number } {
    const { block, insetLeft, insetRight } = this.paragraphs[p]!;
    const [from, to] = [this.shares?.at(block * 4, width), this.shares?.at(block * 4 + 2, width)];
    if (from !== undefined && to !== undefined) return { room: to - from - insetRight - insetLeft, off: 0 };
    const [wide, later] = this.#wideAtEnds(block);
    const share = (width - this.#from) / (this.#to - this.#from);
    return { room: wide + (later - wide) * share - insetRight - insetLeft, off: this.#roundings.in(block) * ROUNDED };
  }

  /** @param besides how far off the room may be besides, px */
  #own(p: number, width: number, besides = 0): OwnStarts {
    const { a, b } = this.pair;
    if (!a.lines[p]) return undefined;
    const paragraph = this.paragraphs[p]!;
    const { block, insetLeft, insetRight } = paragraph;
    const [wide, later] = this.#wideAtEnds(block);
    const begin = a.lines[p]!.starts;
    // In a box as wide as it needs, text would come too near to its end to be broken anew.
    if (Math.abs(later - wide) < UNMOVED && sameNumbers(begin, b.lines[p]!.starts)) return begin;
    const { room, off } = this.#roomOf(p, width);
    if (a.facts.breaks[block] && !isRoomy(paragraph, room - besides)) return null;
    const { breaks } = a.facts;
    const starts = breakLines(paragraph, room, off + besides, { breaks }) ?? null;
    if (starts && !turnsAt(paragraph, starts, room, off + besides)) return null;
    if (starts === null || a.facts.level[block] !== Level.inlineBlock || sameNumbers(begin, b.lines[p]!.starts)) return starts;
    const whole = this.#roomAround(p, width);
    const inWhole = breakLines(paragraph, whole, besides + this.#roundings.in(block) * ROUNDED, { breaks });
    const isSeen = Math.min(whole, Math.max(wide, later) - insetRight - insetLeft) - room > BENT;
    return isSeen || (inWhole && sameNumbers(inWhole, starts)) ? starts : null;
  }

  /**
   * How much room a box in a line has that is as wide as it needs, or as there is: what it stands in, less what it leaves where it takes all. Just before an
   * end of all that is looked at it may have bent without being seen.
   */
  #roomAround(p: number, width: number): number {
    const { a, b } = this.pair;
    const { block, insetLeft, insetRight } = this.paragraphs[p]!;
    const around = blockOf(a.facts, a.facts.elements[block]!.parent);
    const wide = ({ boxes }: PageFacts, element: number) => boxes[element * 4 + 2]! - boxes[element * 4]!;
    const { facts: full } = a.lines[p]!.starts.length > b.lines[p]!.starts.length ? a : b;
    const share = (width - this.#from) / (this.#to - this.#from);
    const [left, right] = [this.shares?.at(around * 4, width), this.shares?.at(around * 4 + 2, width)];
    const isExact = left !== undefined && right !== undefined;
    const [from, to] = [wide(a.facts, around), wide(b.facts, around)];
    const room = isExact ? right - left : from + (to - from) * share;
    return room - (wide(full, around) - wide(full, block)) - insetLeft - insetRight;
  }
}
