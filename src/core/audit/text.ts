import type { PageFacts } from './facts';
import { BOTTOM, boxOf, isAbove, LEFT, RIGHT, TOP } from './geometry';
import { exceeds, inOrder, isMore, larger, smaller } from './readers';
import { Level, Positioning } from './facts';
import { oncePerFacts } from './once';

/** How many lines the given line boxes stand on: boxes that share half their height are one line. */
export function countLines(facts: PageFacts, lines: readonly Float64Array[]): number {
  const spans = lines
    .flatMap((boxes) =>
      Array.from({ length: boxes.length / 4 }, (_, i) => [boxes[i * 4 + TOP]!, boxes[i * 4 + BOTTOM]!] as const),
    )
    .sort((a, b) => inOrder(facts, a[0], b[0]));
  let count = 0;
  let end = -Infinity;
  for (const [top, bottom] of spans) {
    if (count === 0 || exceeds(facts, top, end - (bottom - top) / 2)) {
      count++;
      end = bottom;
    } else end = larger(facts, end, bottom);
  }
  return count;
}

/** The block in whose text an element stands; -1 where it is moved out of it. */
function textOf(facts: PageFacts, element: number): number {
  let at = element;
  for (; at > 0 && facts.level[at] === Level.inline; at = facts.elements[at]!.parent)
    if (facts.moved[at] || facts.position[at] !== Positioning.flow) return -1;
  return at;
}

/** Whether two elements stand in one text: what does keeps off each other, and stands in the order it is read in. */
export function isOneText(facts: PageFacts, a: number, b: number): boolean {
  if (facts.level[a] !== Level.inline && facts.level[b] !== Level.inline) return false;
  const text = textOf(facts, a);
  return text >= 0 && text === textOf(facts, b);
}

/** A run of text as people read it: what stands in one block, with the emphasis and links in it. */
export interface TextBlock {
  /** Index of the block's element. */
  readonly element: number;
  /** Indices of all elements whose own text is in it. */
  readonly parts: readonly number[];
  readonly words: number;
  readonly chars: number;
}

/** All visible text, block by block. */
export const textBlocks = oncePerFacts((facts): TextBlock[] => {
  const blocks = new Map<number, { parts: number[]; words: number; chars: number }>();
  for (let i = 0; i < facts.elements.length; i++) {
    if (facts.lines[i]!.length === 0) continue;
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
});

/** How wide a character of a block is on average, px. */
export function characterOf(facts: PageFacts, { element, parts }: TextBlock): number {
  const own = facts.lines[element]!.length > 0 ? element : parts[0]!;
  return facts.chars[own]! * facts.fontSize[own]!;
}

/** In how many pieces browsers set a block's text: at least one a line. */
export const piecesOf = (facts: PageFacts, { parts }: TextBlock): number =>
  parts.reduce((sum, part) => sum + facts.lines[part]!.length / 4, 0);

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

const floatsOf = oncePerFacts((facts) =>
  facts.elements.flatMap((_, i) => (facts.level[i] === Level.float && facts.shown[i] ? [i] : [])),
);

/** How long the longest line of a block is, px. */
export function longestLine(facts: PageFacts, { parts }: TextBlock): number {
  const spans = parts
    .flatMap((part) => {
      const lines = facts.lines[part]!;
      return Array.from({ length: lines.length / 4 }, (_, i) => lines.subarray(i * 4, i * 4 + 4));
    })
    .sort((a, b) => inOrder(facts, a[TOP]!, b[TOP]!));
  let longest = 0;
  let line: { left: number; right: number; bottom: number } | undefined;
  for (const span of spans) {
    const [left, top, right, bottom] = [span[LEFT]!, span[TOP]!, span[RIGHT]!, span[BOTTOM]!];
    const isNext = !line || isMore(facts, top, line.bottom - (bottom - top) / 2);
    line = isNext
      ? { left, right, bottom }
      : { left: smaller(facts, line!.left, left), right: larger(facts, line!.right, right), bottom };
    longest = larger(facts, longest, line.right - line.left);
  }
  return longest;
}
