import type { PageFacts } from '../facts';

/** A size this near to that of a condition, px, may be on either side of it. */
const NEAR = 0.25;

/** Whole widths, ascending, around the places where a size meets one that a condition asks for, between two measured viewports. */
export function crossings(a: PageFacts, b: PageFacts): number[] {
  const found: number[] = [];
  a.gaps?.forEach((gap, i) => {
    const other = b.gaps![i]!;
    // Neither of the ends may be so near that it isn't known on which side it is.
    if (gap === other || (gap > NEAR && other > NEAR) || (gap < -NEAR && other < -NEAR)) return;
    const at = a.viewport.width + ((b.viewport.width - a.viewport.width) * gap) / (gap - other);
    found.push(Math.floor(at) - 1, Math.floor(at), Math.ceil(at), Math.ceil(at) + 1);
  });
  return [...new Set(found)].filter((width) => width > a.viewport.width && width < b.viewport.width).sort((x, y) => x - y);
}
