import type { PageFacts } from './facts';
import { Backdrop, Positioning } from './facts';
import { boxOf, isAbove } from './geometry';
import { exceeds, foundByBox, larger, smaller } from './readers';

/** The nearest absolutely placed or fixed element that one stands in, itself included; 0 for the page. */
export function layerOf(facts: PageFacts, element: number): number {
  let at = element;
  while (at > 0 && facts.position[at]! < Positioning.absolute) at = facts.elements[at]!.parent;
  return Math.max(0, at);
}

/** Whether an element paints something that hides what is under it. */
export function isOpaque(facts: PageFacts, element: number): boolean {
  return facts.ground[element * 4 + 3]! >= 0.9 || facts.backdrop[element] !== Backdrop.none;
}

const PICTURES = new Set(['img', 'video', 'canvas', 'svg']);

/** Whether a text of a layer of its own lies over something painted that it doesn't stand in. */
export function isOverOthers(facts: PageFacts, element: number): boolean {
  const layer = layerOf(facts, element);
  if (layer === 0) return false;
  const box = boxOf(facts, element);
  for (let i = 1; i < facts.elements.length; i++) {
    if (!facts.shown[i] || (!isOpaque(facts, i) && !PICTURES.has(facts.elements[i]!.tag))) continue;
    if (i === element || isAbove(facts, i, element) || i === layer || isAbove(facts, layer, i)) continue;
    const other = boxOf(facts, i);
    const across = smaller(facts, box.right, other.right) - larger(facts, box.left, other.left);
    const down = smaller(facts, box.bottom, other.bottom) - larger(facts, box.top, other.top);
    // Only the lesser of both decides: how near the other is to the limit leaves nothing in doubt.
    if (exceeds(facts, smaller(facts, across, down), 0.5)) {
      foundByBox(facts, element, i);
      return true;
    }
  }
  return false;
}
