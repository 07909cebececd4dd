import type { PageFacts } from './facts';
import { boxOf } from './geometry';
import { exceeds, foundByBox, larger, smaller } from './readers';

/** Boxes that overlap by less than this share of the lower one stand in different rows. */
const SAME_ROW = 0.5;

/**
 * How far, px, an element stands before another in the order of reading: wholly above it and not in a column further right,
 * or left of it in the same row. Undefined where it doesn't. Pages here are read from left to right.
 */
export function comesBefore(facts: PageFacts, element: number, another: number): number | undefined {
  const [box, other] = [boxOf(facts, element), boxOf(facts, another)];
  const shared = smaller(facts, box.bottom, other.bottom) - larger(facts, box.top, other.top);
  const least = smaller(facts, box.bottom - box.top, other.bottom - other.top);
  const isBeside = exceeds(facts, shared, least * SAME_ROW);
  const above = other.top - box.bottom;
  if (!isBeside && !exceeds(facts, above, -0.5)) return undefined;
  // From here on it goes by left and right alone.
  foundByBox(facts, element, another);
  if (isBeside) return exceeds(facts, other.left - box.right, -0.5) ? other.left - box.left : undefined;
  return exceeds(facts, other.right - box.left, 1) ? other.top - box.top : undefined;
}
