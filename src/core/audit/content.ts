import type { Box } from './geometry';
import { boxOf, visiblePart } from './geometry';
import type { PageFacts } from './facts';
import { Level } from './facts';
import { oncePerFacts, oncePerGiven } from './once';
import { isMore } from './readers';
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

function contentBox(facts: PageFacts, element: number): ContentBox | undefined {
  const part = visiblePart(facts, element, boxOf(facts, element));
  return part && { element, left: part.left, top: part.top, right: part.right, bottom: part.bottom };
}

/** The boxes of everything that holds something to see: texts, pictures, controls. */
export const contentBoxes = oncePerFacts((facts): ContentBox[] =>
  holders(facts).flatMap((element) => contentBox(facts, element) ?? []),
);

/** Those of them that begin above a height, px; of long pages most lies further down. */
export function contentAbove(facts: PageFacts, height: number): ContentBox[] {
  const boxes: ContentBox[] = [];
  for (const i of holders(facts)) {
    if (!isMore(facts, height, facts.boxes[i * 4 + 1]!)) continue;
    const box = contentBox(facts, i);
    if (box && isMore(facts, height, box.top)) boxes.push(box);
  }
  return boxes;
}
