import type { PageFacts } from './facts';
import { BOTTOM, exceeds, LEFT, Level, RIGHT, TOP } from './facts';
import { oncePerFacts } from './once';

/** How many lines the given line boxes stand on: boxes that share half their height are one line. */
export function countLines(facts: PageFacts, lines: readonly Float64Array[]): number {
  const spans = lines
    .flatMap((boxes) =>
      Array.from({ length: boxes.length / 4 }, (_, i) => [boxes[i * 4 + TOP]!, boxes[i * 4 + BOTTOM]!] as const),
    )
    .sort((a, b) => a[0] - b[0]);
  let count = 0;
  let end = -Infinity;
  for (const [top, bottom] of spans) {
    if (count === 0 || exceeds(facts, top, end - (bottom - top) / 2)) {
      count++;
      end = bottom;
    } else end = Math.max(end, bottom);
  }
  return count;
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

/** How many characters of average width the longest line of a block has room for. */
export function longestLine(facts: PageFacts, { element, parts }: TextBlock): number {
  const spans = parts
    .flatMap((part) => {
      const lines = facts.lines[part]!;
      return Array.from({ length: lines.length / 4 }, (_, i) => lines.subarray(i * 4, i * 4 + 4));
    })
    .sort((a, b) => a[TOP]! - b[TOP]!);
  let longest = 0;
  let [left, right, bottom] = [Infinity, -Infinity, -Infinity];
  for (const span of spans) {
    if (span[TOP]! > bottom - (span[BOTTOM]! - span[TOP]!) / 2) [left, right] = [Infinity, -Infinity];
    left = Math.min(left, span[LEFT]!);
    right = Math.max(right, span[RIGHT]!);
    bottom = span[BOTTOM]!;
    longest = Math.max(longest, right - left);
  }
  const own = facts.lines[element]!.length > 0 ? element : parts[0]!;
  return longest / (facts.chars[own]! * facts.fontSize[own]!);
}
