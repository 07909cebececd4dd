import type { PageFacts } from './facts';
import type { Box } from './geometry';
import { inOrder, larger } from './readers';

/** The area that boxes cover together, px²; where they overlap it counts once. */
export function areaOfUnion(facts: PageFacts, boxes: readonly Box[]): number {
  const sorted = [...boxes].sort((a, b) => inOrder(facts, a.left, b.left));
  const edges = sorted
    .flatMap(({ top, bottom }, box) => [
      { at: top, box, begins: true },
      { at: bottom, box, begins: false },
    ])
    .sort((a, b) => inOrder(facts, a.at, b.at));
  const open = new Set<number>();
  let area = 0;
  edges.forEach(({ at, box, begins }, i) => {
    if (begins) open.add(box);
    else open.delete(box);
    const next = edges[i + 1];
    if (!next || open.size === 0) return;
    let covered = 0;
    let end: number | undefined;
    for (const one of [...open].sort((a, b) => a - b)) {
      const from = end === undefined ? sorted[one]!.left : larger(facts, end, sorted[one]!.left);
      end = larger(facts, from, sorted[one]!.right);
      covered += end - from;
    }
    area += covered * (next.at - at);
  });
  return area;
}
