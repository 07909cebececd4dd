import type { Box } from './facts';

/** The area that boxes cover together, px²; where they overlap it counts once. */
export function areaOfUnion(boxes: readonly Box[]): number {
  const edges = [...new Set(boxes.flatMap(({ top, bottom }) => [top, bottom]))].sort((a, b) => a - b);
  const sorted = [...boxes].sort((a, b) => a.left - b.left);
  let area = 0;
  for (let i = 0; i + 1 < edges.length; i++) {
    const [top, bottom] = [edges[i]!, edges[i + 1]!];
    let covered = 0;
    let end = -Infinity;
    for (const box of sorted) {
      if (box.top > top || box.bottom < bottom || box.right <= end) continue;
      covered += box.right - Math.max(end, box.left);
      end = box.right;
    }
    area += covered * (bottom - top);
  }
  return area;
}
