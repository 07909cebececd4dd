import type { PageFacts } from './facts';
import type { Box } from './geometry';
import { larger, sortedBy } from './readers';

/** The area that boxes cover together, px²; where they overlap it counts once. */
export function areaOfUnion(facts: PageFacts, boxes: readonly Box[]): number {
  const sorted = sortedBy(facts, boxes, ({ left }) => left);
  const ends = sorted.flatMap(({ top, bottom }, box) => [
    { at: top, box, begins: true },
    { at: bottom, box, begins: false },
  ]);
  const edges = sortedBy(facts, ends, ({ at }) => at);
  /** Boxes that reach over what lies below an edge, the leftmost first. */
  const open: number[] = [];
  let area = 0;
  edges.forEach(({ at, box, begins }, i) => {
    const place = open.findIndex((one) => one >= box);
    if (!begins) open.splice(place, 1);
    else open.splice(place < 0 ? open.length : place, 0, box);
    const down = (edges[i + 1]?.at ?? at) - at;
    // Edges at one height were met as such when they were sorted.
    if (down === 0) return;
    let covered = 0;
    let end: number | undefined;
    for (const one of open) {
      const from = end === undefined ? sorted[one]!.left : larger(facts, end, sorted[one]!.left);
      end = larger(facts, from, sorted[one]!.right);
      covered += end - from;
    }
    area += covered * down;
  });
  return area;
}
