import type { Box } from './geometry';
import { boxOf, visiblePart } from './geometry';
import { Level } from './facts';
import { oncePerFacts } from './once';

const THINGS = new Set(['img', 'video', 'canvas', 'svg', 'input', 'textarea', 'select', 'button', 'hr']);

/** What shows of something to see, and its element. */
export interface ContentBox extends Box {
  readonly element: number;
}

/** The boxes of everything that holds something to see: texts, pictures, controls. */
export const contentBoxes = oncePerFacts((facts): ContentBox[] => {
  const boxes: ContentBox[] = [];
  for (let i = 1; i < facts.elements.length; i++) {
    if (!facts.shown[i]) continue;
    const text = facts.lines[i]!.length > 0 && facts.level[i] !== Level.inline;
    if (!text && !THINGS.has(facts.elements[i]!.tag)) continue;
    const part = visiblePart(facts, i, boxOf(facts, i));
    if (part) boxes.push({ element: i, left: part.left, top: part.top, right: part.right, bottom: part.bottom });
  }
  return boxes;
});
