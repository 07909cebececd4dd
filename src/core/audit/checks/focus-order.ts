import type { Check, Violation } from '../check';
import type { PageFacts } from '../facts';
import { Cut } from '../facts';
import { isAbove, isPinned } from '../geometry';
import { layerOf } from '../layers';
import { comesBefore } from '../order';
import { isOneText } from '../text';

/** What shows of an element from the outside of what scrolls: the outermost scroller around it that doesn't hold another, or itself. */
function seenFrom(facts: PageFacts, element: number, other: number): number {
  let seen = element;
  for (let at = facts.elements[element]!.parent; at > 0; at = facts.elements[at]!.parent)
    if ((facts.cutX[at] === Cut.scrolls || facts.cutY[at] === Cut.scrolls) && at !== other && !isAbove(facts, at, other))
      seen = at;
  return seen;
}

/** The Tab key goes backwards over the page. */
export const focusOrder: Check = {
  id: 'focus-order',
  title: 'Focus jumps back',
  severity: 'poor',
  why: 'Whoever goes through the page by keyboard loses where they are.',
  rule: 'WCAG 2.2, 2.4.3 Focus order',
  judge(facts) {
    const found: Violation[] = [];
    let before = -1;
    for (let i = 1; i < facts.elements.length; i++) {
      if (!facts.elements[i]!.focusable || !facts.shown[i] || isPinned(facts, i)) continue;
      const previous = before;
      before = i;
      if (previous < 0 || layerOf(facts, previous) !== layerOf(facts, i) || isOneText(facts, previous, i)) continue;
      const by = comesBefore(facts, seenFrom(facts, i, previous), seenFrom(facts, previous, i));
      if (by === undefined) continue;
      found.push({ element: facts.elements[i]!.id, amount: by, measured: { by }, others: [facts.elements[previous]!.id] });
    }
    return found;
  },
  sentence: ({ element, others }, name) => `From ${name(others[0]!)} the focus goes back to ${name(element)}.`,
};
