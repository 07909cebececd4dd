import type { Box } from './geometry';
import type { PageFacts } from './facts';
import { boxOf } from './geometry';
import { exceeds, foundByBox } from './readers';
import { Level } from './facts';
import { oncePerFacts, oncePerGiven } from './once';

/** So much less than the least size, px, is rounding: browsers round boxes to 1/64 px, one width to the next. */
const ROUNDING = 0.5;

export interface Target {
  readonly element: number;
  readonly box: Box;
  readonly width: number;
  readonly height: number;
}

/** Controls whose size browsers decide unless an author does, in px. */
const OF_THE_BROWSER = new Set(['checkbox', 'radio']);
const BROWSERS_OWN = 13;

const isAbout = (facts: PageFacts, size: number, usual: number) =>
  exceeds(facts, size, usual - 0.5) && !exceeds(facts, size, usual + 0.5);

/** A link in a sentence: the line decides its height (WCAG 2.2, 2.5.8, exception "Inline"). */
function isInSentence(facts: PageFacts, element: number): boolean {
  for (let at = element; facts.level[at] === Level.inline; at = facts.elements[at]!.parent) {
    const { parent } = facts.elements[at]!;
    if (parent < 0) return false;
    if (facts.elements[parent]!.words > 0) return true;
  }
  return false;
}

/** Whether a target is lower or narrower than a least size, px. */
export function isUnder(facts: PageFacts, { element, width, height }: Target, least: number): boolean {
  // A link in a text may be narrower than it is taken to be, and how wide it is is told.
  foundByBox(facts, element);
  return exceeds(facts, least - height, ROUNDING) || exceeds(facts, least - width, ROUNDING);
}

const pressable = oncePerGiven(
  ({ elements, shown, level }) => [elements, shown, level],
  (facts) =>
    facts.elements.flatMap(({ focusable }, i) => (i > 0 && focusable && facts.shown[i] && !isInSentence(facts, i) ? [i] : [])),
);

/** What can be pressed, and isn't exempt from a least size. */
export const targetsOf = oncePerFacts((facts): Target[] => {
  const targets: Target[] = [];
  for (const i of pressable(facts)) {
    const { type } = facts.elements[i]!;
    const box = boxOf(facts, i);
    const width = box.right - box.left;
    const height = box.bottom - box.top;
    if (type && OF_THE_BROWSER.has(type) && isAbout(facts, width, BROWSERS_OWN) && isAbout(facts, height, BROWSERS_OWN)) continue;
    // Wholly past the left or upper edge is how things are put away until they are needed.
    if (!exceeds(facts, box.right, 0.5) || !exceeds(facts, box.bottom, 0.5)) continue;
    targets.push({ element: i, box, width, height });
  }
  return targets;
});
