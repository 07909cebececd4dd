import type { Box } from './geometry';
import type { PageFacts } from './facts';
import { exceeds, larger, smaller } from './readers';

/** Boxes that overlap by less than this share of the lower one stand in different rows. */
const SAME_ROW = 0.5;

/**
 * How far, px, a box stands before another in the order of reading: wholly above it and not in a column further right,
 * or left of it in the same row. Undefined where it doesn't. Pages here are read from left to right.
 */
export function comesBefore(facts: PageFacts, box: Box, other: Box): number | undefined {
  const shared = smaller(facts, box.bottom, other.bottom) - larger(facts, box.top, other.top);
  const least = smaller(facts, box.bottom - box.top, other.bottom - other.top);
  if (exceeds(facts, shared, least * SAME_ROW))
    return exceeds(facts, other.left - box.right, -0.5) ? other.left - box.left : undefined;
  const above = other.top - box.bottom;
  if (!exceeds(facts, above, -0.5)) return undefined;
  return exceeds(facts, other.right - box.left, 1) ? other.top - box.top : undefined;
}
