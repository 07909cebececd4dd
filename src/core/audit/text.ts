import type { PageFacts } from './facts';
import { BOTTOM, exceeds, LEFT, Level, RIGHT, TOP } from './facts';

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
export function textBlocks(facts: PageFacts): TextBlock[] {
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
}

/** The lengths of all line boxes of a block together, px. */
export function lengthOfText(facts: PageFacts, { parts }: TextBlock): number {
  let sum = 0;
  for (const part of parts) {
    const lines = facts.lines[part]!;
    for (let at = 0; at < lines.length; at += 4) sum += lines[at + RIGHT]! - lines[at + LEFT]!;
  }
  return sum;
}
