import type { Box } from './geometry';
import type { PageFacts } from './facts';
import { boxOf } from './geometry';
import { exceeds } from './readers';
import { Pinned, Positioning } from './facts';

export interface Bar {
  readonly element: number;
  readonly box: Box;
  readonly height: number;
  readonly edge: 'top' | 'bottom';
  /** The element inside which it stays; 0 for the page. */
  readonly within: number;
}

/** From this share of the screen's height on, what is pinned is a sheet over the page, not a bar. */
const SHEET = 0.8;
/** From this share of the screen's width on, what is pinned is a bar, not a button. */
const WIDE = 0.5;

/** Bars that stay on the screen while the page scrolls. */
export function barsOf(facts: PageFacts): Bar[] {
  const bars: Bar[] = [];
  for (let i = 1; i < facts.elements.length; i++) {
    if (!facts.pinned[i] || !facts.shown[i]) continue;
    const box = boxOf(facts, i);
    const height = box.bottom - box.top;
    if (exceeds(facts, facts.viewport.width * WIDE, box.right - box.left)) continue;
    if (exceeds(facts, height, facts.viewport.height * SHEET)) continue;
    const fixed = facts.position[i] === Positioning.fixed;
    bars.push({
      element: i,
      box,
      height,
      edge: facts.pinned[i] === Pinned.top ? 'top' : 'bottom',
      within: fixed ? 0 : Math.max(0, facts.elements[i]!.parent),
    });
  }
  return bars;
}
