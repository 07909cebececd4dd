import type { Box } from './geometry';
import { boxOf, visiblePart } from './geometry';
import { Level } from './facts';
import { oncePerFacts, oncePerGiven } from './once';
import { textHolders } from './text';

const THINGS = new Set(['img', 'video', 'canvas', 'svg', 'input', 'textarea', 'select', 'button', 'hr']);

/** What shows of something to see, and its element. */
export interface ContentBox extends Box {
  readonly element: number;
}

const holders = oncePerGiven(
  (facts) => [facts.elements, facts.shown, facts.level, textHolders(facts)],
  ({ elements, shown, level, lines }) =>
    elements.flatMap(({ tag }, i) =>
      i > 0 && shown[i] && ((lines[i]!.length > 0 && level[i] !== Level.inline) || THINGS.has(tag)) ? [i] : [],
    ),
);

/** The boxes of everything that holds something to see: texts, pictures, controls. */
export const contentBoxes = oncePerFacts((facts): ContentBox[] => {
  const boxes: ContentBox[] = [];
  for (const i of holders(facts)) {
    const part = visiblePart(facts, i, boxOf(facts, i));
    if (part) boxes.push({ element: i, left: part.left, top: part.top, right: part.right, bottom: part.bottom });
  }
  return boxes;
});
