import type { PageFacts } from '../facts';

/** The sizes of all type that shows, px, to compare on both sides of an edge. */
export function sizesOf(facts: PageFacts): Record<string, number> {
  const sizes: Record<string, number> = {};
  facts.lines.forEach((lines, i) => {
    if (lines.length > 0) sizes[facts.elements[i]!.id] = facts.fontSize[i]!;
  });
  return sizes;
}
