import type { PageFacts } from '../facts';

/** How far anything reaches to the right, px. */
export function reach({ boxes, lines, shown }: Pick<PageFacts, 'boxes' | 'lines' | 'shown'>): number {
  let far = 0;
  for (let i = 0; i < lines.length; i++) {
    if (!shown[i]) continue;
    far = Math.max(far, boxes[i * 4 + 2]!);
    const own = lines[i]!;
    for (let at = 2; at < own.length; at += 4) far = Math.max(far, own[at]!);
  }
  return far;
}

/**
 * The width that can be scrolled between two measured viewports, whole px, where a page is wider than its viewport. Browsers round what reaches
 * farthest (CSSOM View, 6): numbers between two rounded ones would be off by a px. Where something else decides, as at neither end, they are taken.
 */
export function scrollWidthBetween(
  a: PageFacts,
  b: PageFacts,
): (facts: Pick<PageFacts, 'boxes' | 'lines' | 'shown'>, share: number) => number {
  const byReach = [a, b].every((facts) => Math.round(reach(facts)) === facts.scrollWidth);
  return (facts, share) => Math.round(byReach ? reach(facts) : a.scrollWidth + (b.scrollWidth - a.scrollWidth) * share);
}
