import type { PageFacts } from '../facts';
import { isSized, sameBesidesLines, scrollsDown, scrollsSideways } from '../sweep/straight';
import { Rule, Unread } from '../codes';
import { strayIn } from './as-measured';
import { settled } from './heights';
import { Leading } from './leading';
import type { MeasuredTexts } from './measured-texts';
import { findLines, readTops } from './measured-texts';
import type { Typesetting } from './paragraph';
import type { Page } from './page';
import { rowsIn, sameRows } from './rows';
import { Shares } from './shares';
import { pairOf, stacked } from './stack';
import { liesAlike, standsAlike } from './unread';
import { WorkedOut } from './worked-out';

const NO_ROWS: MeasuredTexts['rows'] = new Map();

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
  #slack: Uint8Array = new Uint8Array(0);
  readonly #rests = new Map<number, number>();

  constructor(
    set: Typesetting,
    private readonly parents: (i: number) => number,
  ) {
    this.#set = set;
    this.#leading = new Leading(set.leading);
    this.#settle();
  }

  #settle(): void {
    const { rule, slack } = settled(this.#set.rule, this.#set.heights, this.#set.units);
    this.#set = { ...this.#set, rule };
    this.#slack = slack;
    const { paragraphs } = this.#set;
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
      const found = findLines(this.#set, facts);
      if ('wrong' in found) {
        this.#leaveOut(found.wrong);
        continue;
      }
      const texts: MeasuredTexts = { facts, ...found, version: 0, tops: [], rows: NO_ROWS, reach: [] };
      const wrong = readTops(this.#set, texts, this.#leading);
      if (wrong.length > 0) {
        this.#leaveOut(wrong);
        continue;
      }
      texts.rows = rowsIn(this.#set, facts);
      const stray = this.#strayIn(texts);
      if (stray.length > 0) {
        this.#leaveOutElements(stray);
        continue;
      }
      this.#texts.set(width, texts);
      return texts;
    }
  }

  forget(width: number): void {
    this.#texts.delete(width);
  }

  get #page(): Page {
    return {
      set: this.#set,
      leading: this.#leading,
      inside: this.#inside,
      inStack: this.#inStack,
      slack: this.#slack,
      rests: this.#rests,
    };
  }

  /** Elements that don't come to their heights as it is known of them. */
  #strayIn(texts: MeasuredTexts): number[] {
    const { rows } = texts;
    const unclear = [...rows].filter(([, one]) => !one).map(([element]) => element);
    if (unclear.length > 0) return unclear;
    return rows.size > 0 || this.#slack.includes(1) || this.#set.floats ? strayIn(this.#page, texts) : [];
  }

  #leaveOutElements(elements: readonly number[]): void {
    const rule = this.#set.rule.slice();
    for (const element of elements) rule[element] = Rule.other;
    this.#set = { ...this.#set, rule };
    this.#begin();
  }

  #begin(): void {
    this.#texts.clear();
    this.#settle();
  }

  #leaveOut(wrong: readonly number[]): void {
    const { paragraphs, ...set } = this.#set;
    const blocks = new Set(wrong.map((p) => paragraphs[p]!.block));
    const [rule, unread, worked] = [set.rule.slice(), set.unread.slice(), set.worked.slice()];
    const kept = paragraphs.map((one, p) => {
      if (!blocks.has(one.block)) return p;
      rule[one.block] = Rule.other;
      for (const element of one.texts.element) if (element >= 0) [unread[element], worked[element]] = [Unread.broken, 0];
      return -1;
    });
    const order = kept.filter((p) => p >= 0);
    const now = new Map(order.map((p, i) => [p, i]));
    const units = set.units.map((list) =>
      list.flatMap((unit) => (unit >= 0 ? [unit] : now.has(-1 - unit) ? [-1 - now.get(-1 - unit)!] : [])),
    );
    this.#set = { ...set, rule, unread, worked, units, paragraphs: order.map((p) => paragraphs[p]!) };
    this.#begin();
  }

  /** What neighbouring measured viewports say of where boxes end. */
  sharesOf(measured: readonly PageFacts[]): Shares {
    const { plainShares, written, cells } = this.#set;
    return new Shares(measured, plainShares, written, (element) => !Number.isNaN(cells.least[element]!));
  }

  /** Whether an element has text whose lines aren't worked out. */
  isUnread(element: number): boolean {
    return this.#set.unread[element] === Unread.broken;
  }

  #both(first: PageFacts, last: PageFacts): { readonly a: MeasuredTexts; readonly b: MeasuredTexts; readonly set: Typesetting } {
    // What is left out of the second makes what was taken in of the first of no use.
    this.takeIn(first);
    const b = this.takeIn(last);
    const a = this.takeIn(first);
    return { a, b, set: asBroken(this.#set, new Set([...a.broken, ...b.broken])) };
  }

  /**
   * What keeps widths between two measured viewports from being worked out, if it is something that is the one or the other at each: whether a viewport is
   * like the first in that.
   */
  parting(first: PageFacts, last: PageFacts): ((facts: PageFacts) => boolean) | undefined {
    for (const scrolls of [scrollsSideways, scrollsDown])
      if (scrolls(first) !== scrolls(last)) return (facts) => scrolls(facts) === scrolls(first);
    if (!sameBesidesLines(first, last) || isSized(first, last)) return undefined;
    const { a, b, set } = this.#both(first, last);
    return partingIn(set, a, b);
  }

  /** What is known of all viewports between two measured ones; undefined where more than the lines of texts differs. */
  between(first: PageFacts, last: PageFacts): WorkedOut | undefined {
    if (!sameBesidesLines(first, last) || scrollsDown(first) !== scrollsDown(last) || isSized(first, last)) return undefined;
    const { a, b, set } = this.#both(first, last);
    if (partingIn(set, a, b)) return undefined;
    if (a.lines.some((one, p) => (one === undefined) !== (b.lines[p] === undefined))) return undefined;
    for (const [element, one] of a.rows) if (!sameRows(one, b.rows.get(element))) return undefined;
    // What is learned at other widths later isn't counted to these gaps.
    const leading = this.#leading.copy();
    const page = { ...this.#page, set, leading };
    return new WorkedOut(page, pairOf(page, a, b, leading));
  }
}

/** What lies or stands otherwise at two measured viewports that isn't worked out: whether a viewport is like the first in that. */
function partingIn(
  { paragraphs, unread }: Typesetting,
  a: MeasuredTexts,
  b: MeasuredTexts,
): ((facts: PageFacts) => boolean) | undefined {
  const [first, last] = [a.facts, b.facts];
  for (const p of new Set([...a.broken, ...b.broken]))
    for (const element of paragraphs[p]!.atoms.element)
      if (!liesAlike(element, first, last)) return (facts) => liesAlike(element, first, facts);
  for (let i = 0; i < unread.length; i++)
    if (unread[i] && !standsAlike(i, first, last)) return (facts) => standsAlike(i, first, facts);
  return undefined;
}

/** Texts with words that are broken are left as they are. */
function asBroken(set: Typesetting, broken: ReadonlySet<number>): Typesetting {
  if (broken.size === 0) return set;
  const [unread, worked] = [set.unread.slice(), set.worked.slice()];
  for (const p of broken)
    for (const element of set.paragraphs[p]!.texts.element)
      if (element >= 0) [unread[element], worked[element]] = [Unread.broken, 0];
  return { ...set, unread, worked };
}
