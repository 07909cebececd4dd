import type { PageFacts } from '../facts';

/** A place that is nearer to the narrow end than this share says little: what reaches out may grow with the window. */
const APART = 1 / 8;

/**
 * Where a page stops scrolling sideways between two viewports: the first whole width that is as wide as what reaches out, if that goes on as it does at
 * measured ones. Only a guess of where to look.
 * @param points measured viewports, ascending
 * @param apart the share of what lies between them that is taken for too near to the narrow end
 */
export function scrollHint(points: readonly PageFacts[], apart = APART): number | undefined {
  const behind = points.findIndex(({ scrollWidth, viewport }) => scrollWidth <= viewport.width);
  if (behind < 1) return undefined;
  const [narrow, wide] = [points[behind - 1]!, points[behind]!];
  const before = points[behind - 2];
  const [from, to] = [narrow.viewport.width, wide.viewport.width];
  const slope = before ? (narrow.scrollWidth - before.scrollWidth) / (from - before.viewport.width) : 0;
  const width = Math.ceil(from + (narrow.scrollWidth - from) / (1 - slope));
  return width > Math.max(from + 1, from + (to - from) * apart) && width < to ? width : undefined;
}
