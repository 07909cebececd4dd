import type { PageFacts } from './facts';
import { BOTTOM, boxOf, isAbove, LEFT, RIGHT, TOP } from './geometry';
import { exceeds, exceedsBy, isMore, larger, smaller, sortedBy } from './readers';
import { Level, Positioning } from './facts';
import { oncePerFacts, oncePerGiven } from './once';

/** So far from a limit, px, positions that are off by as much as they may be say the same. */
const SURELY = 4;

/**
 * How many lines the given line boxes stand on: boxes that share half their height are one line.
 * @param enough where more than so many aren't counted
 */
export function countLines(facts: PageFacts, lines: readonly Float64Array[], enough = Infinity): number {
  return countInOrder(facts, lines, enough) ?? countInOrder(facts, [byTop(facts, together(lines))], enough)!;
}

/** The same of line boxes of which the upper ones are first; undefined where they aren't. */
function countInOrder(facts: PageFacts, lists: readonly Float64Array[], enough: number): number | undefined {
  let count = 0;
  let [above, end] = [-Infinity, -Infinity];
  for (const own of lists)
    for (let at = 0; at < own.length; at += 4) {
      const [top, bottom] = [own[at + TOP]!, own[at + BOTTOM]!];
      if (above > -Infinity && isMore(facts, above, top)) return undefined;
      above = top;
      if (count === 0 || exceeds(facts, top, end - (bottom - top) / 2)) {
        if (++count >= enough) return count;
        end = bottom;
      } else end = larger(facts, end, bottom);
    }
  return count;
}

/** Whether a block surely stands on no more than so many lines: by how high they are, since each ends above half of the next. */
export function linesAtMost(facts: PageFacts, { parts }: TextBlock, count: number): boolean {
  let [first, last, least, most] = [Infinity, -Infinity, Infinity, 0];
  for (const part of parts) {
    const own = facts.lines[part]!;
    for (let at = 0; at < own.length; at += 4) {
      const top = own[at + TOP]!;
      first = smaller(facts, first, top);
      last = larger(facts, last, top);
      least = smaller(facts, least, own[at + BOTTOM]! - top);
      most = larger(facts, most, own[at + BOTTOM]! - top);
    }
  }
  // Far enough from it that it can't be otherwise where positions are off.
  return exceedsBy(facts, (count - 1) * (least - most / 2) - (last - first), SURELY, 0);
}

function together(lists: readonly Float64Array[]): Float64Array {
  if (lists.length === 1) return lists[0]!;
  const all = new Float64Array(lists.reduce((sum, { length }) => sum + length, 0));
  let end = 0;
  for (const list of lists) all.set(list, (end += list.length) - list.length);
  return all;
}

/** Line boxes, four numbers each, the upper ones first. */
function byTop(facts: PageFacts, all: Float64Array): Float64Array {
  let isSorted = true;
  for (let at = 4; at < all.length && isSorted; at += 4) isSorted = !isMore(facts, all[at - 4 + TOP]!, all[at + TOP]!);
  if (isSorted) return all;
  const begins = Array.from({ length: all.length / 4 }, (_, i) => i * 4);
  const order = sortedBy(facts, begins, (at) => all[at + TOP]!);
  const sorted = new Float64Array(all.length);
  order.forEach((from, i) => sorted.set(all.subarray(from, from + 4), i * 4));
  return sorted;
}

/** By element the block in whose text it stands; -1 where it is moved out of it. */
const textsOf = oncePerGiven(
  ({ level, moved, position, elements }) => [level, moved, position, elements],
  ({ level, moved, position, elements }) => {
    const texts = new Int32Array(elements.length);
    for (let i = 1; i < texts.length; i++) {
      if (level[i] !== Level.inline) texts[i] = i;
      else texts[i] = moved[i] || position[i] !== Positioning.flow ? -1 : texts[elements[i]!.parent]!;
    }
    return texts;
  },
);

/** Whether two elements stand in one text: what does keeps off each other, and stands in the order it is read in. */
export function isOneText(facts: PageFacts, a: number, b: number): boolean {
  if (facts.level[a] !== Level.inline && facts.level[b] !== Level.inline) return false;
  const texts = textsOf(facts);
  return texts[a]! >= 0 && texts[a] === texts[b];
}

/**
 * Elements with text of their own that shows, those that stand in one text together: where nothing but text stands in its block, since else
 * it lies around all of that.
 */
export const oneTexts = oncePerGiven(
  (facts) => [textHolders(facts), facts.shown, facts.level, textsOf(facts)],
  (facts): readonly (readonly number[])[] => {
    const { elements, level } = facts;
    const texts = textsOf(facts);
    const holdsOthers = new Uint8Array(elements.length);
    for (let i = 1; i < elements.length; i++) {
      const around = texts[elements[i]!.parent]!;
      if (around >= 0 && level[i] !== Level.inline) holdsOthers[around] = 1;
    }
    const together = new Map<number, number[]>();
    for (const i of textHolders(facts)) {
      if (i === 0 || !facts.shown[i]) continue;
      const text = texts[i]!;
      const key = text < 0 || holdsOthers[text] ? -i : text;
      const own = together.get(key);
      if (own) own.push(i);
      else together.set(key, [i]);
    }
    return [...together.values()];
  },
);

/** A run of text as people read it: what stands in one block, with the emphasis and links in it. */
export interface TextBlock {
  /** Index of the block's element. */
  readonly element: number;
  /** Indices of all elements whose own text is in it. */
  readonly parts: readonly number[];
  readonly words: number;
  readonly chars: number;
}

interface Texts {
  readonly level: PageFacts['level'];
  /** 1 where an element has lines of its own. */
  readonly filled: Uint8Array;
  readonly holders: readonly number[];
  readonly blocks: readonly TextBlock[];
}

/** Those of the viewport before, by elements: from one to the next they are mostly the same. */
const knownTexts = new WeakMap<PageFacts['elements'], Texts>();

const textsOn = oncePerFacts((facts): Texts => {
  const { elements, level, lines } = facts;
  const known = knownTexts.get(elements);
  if (known?.level === level && areFilled(lines, known.filled)) return known;
  const filled = Uint8Array.from(lines, (own) => (own.length > 0 ? 1 : 0));
  const holders = elements.flatMap((_, i) => (filled[i] ? [i] : []));
  const texts = { level, filled, holders, blocks: findTextBlocks(facts, holders) };
  knownTexts.set(elements, texts);
  return texts;
});

function areFilled(lines: PageFacts['lines'], filled: Uint8Array): boolean {
  for (let i = 0; i < filled.length; i++) if (lines[i]!.length > 0 !== (filled[i] === 1)) return false;
  return true;
}

/** All visible text, block by block. */
export const textBlocks = (facts: PageFacts): readonly TextBlock[] => textsOn(facts).blocks;

/** All elements with visible text of their own, in reading order. */
export const textHolders = (facts: PageFacts): readonly number[] => textsOn(facts).holders;

function findTextBlocks(facts: PageFacts, holders: readonly number[]): TextBlock[] {
  const blocks = new Map<number, { parts: number[]; words: number; chars: number }>();
  for (const i of holders) {
    let at = i;
    while (at > 0 && facts.level[at] === Level.inline) at = facts.elements[at]!.parent;
    const { words, chars } = facts.elements[i]!;
    const block = blocks.get(at);
    if (block) {
      block.parts.push(i);
      block.words += words;
      block.chars += chars + 1;
    } else blocks.set(at, { parts: [i], words, chars });
  }
  return [...blocks].map(([element, block]) => ({ element, ...block }));
}

/** How wide a character of a block is on average, px. */
export function characterOf(facts: PageFacts, { element, parts }: TextBlock): number {
  const own = facts.lines[element]!.length > 0 ? element : parts[0]!;
  return facts.chars[own]! * facts.fontSize[own]!;
}

/** In how many pieces browsers set a block's text: at least one a line. */
export function piecesOf({ lines }: PageFacts, { parts }: TextBlock): number {
  let numbers = 0;
  for (const part of parts) numbers += lines[part]!.length;
  return numbers / 4;
}

/**
 * How much room the lines of a block have, px, where they wrap in nothing but the block itself: between its paddings, with no
 * float beside them. Undefined where only the lines themselves tell.
 */
export function lineRoom(facts: PageFacts, { element }: TextBlock): number | undefined {
  if (facts.inset[element]! < 0) return undefined;
  const box = boxOf(facts, element);
  for (const float of floatsOf(facts)) {
    const other = boxOf(facts, float);
    if (float === element || isAbove(facts, float, element)) continue;
    if (!exceeds(facts, other.bottom, box.top + 0.5) || !exceeds(facts, box.bottom - 0.5, other.top)) continue;
    if (exceeds(facts, other.right, box.left + 0.5) && exceeds(facts, box.right - 0.5, other.left)) return undefined;
  }
  return box.right - box.left - facts.inset[element]!;
}

const floatsOf = oncePerGiven(
  ({ level, shown }) => [level, shown],
  ({ level, shown, elements }) => elements.flatMap((_, i) => (level[i] === Level.float && shown[i] ? [i] : [])),
);

/** How long the longest line of a block is, px. What stands a line's height apart in columns is of two. */
export function longestLine(facts: PageFacts, { element, parts }: TextBlock): number {
  const mayBeColumns = facts.inset[element]! < 0;
  const all = byTop(facts, together(parts.map((part) => facts.lines[part]!)));
  let longest = 0;
  let line: { left: number; top: number; right: number; bottom: number } | undefined;
  for (let at = 0; at < all.length; at += 4) {
    const [left, top, right, bottom] = [all[at + LEFT]!, all[at + TOP]!, all[at + RIGHT]!, all[at + BOTTOM]!];
    const isNext =
      !line ||
      isMore(facts, top, line.bottom - (bottom - top) / 2) ||
      (mayBeColumns &&
        isMore(facts, larger(facts, left - line.right, line.left - right), larger(facts, bottom - top, line.bottom - line.top)));
    line = isNext
      ? { left, top, right, bottom }
      : { left: smaller(facts, line!.left, left), top, right: larger(facts, line!.right, right), bottom };
    longest = larger(facts, longest, line.right - line.left);
  }
  return longest;
}
