import type { Check, Violation } from '../check';
import type { PageFacts } from '../facts';
import { Cut } from '../facts';
import { isAbove, isPinned } from '../geometry';
import { layerOf } from '../layers';
import { oncePerGiven } from '../once';
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

interface Step {
  readonly from: number;
  readonly to: number;
  /** What is seen of both from where they can be told apart. */
  readonly seen: readonly [number, number];
}

/** From each element that the Tab key stops at to the next, where it can be seen which of them stands first. */
const steps = oncePerGiven(
  ({ elements, shown, pinned, position, cutX, cutY, level, moved }) => [
    elements,
    shown,
    pinned,
    position,
    cutX,
    cutY,
    level,
    moved,
  ],
  (facts): Step[] => {
    const stops = facts.elements.flatMap(({ focusable }, i) =>
      i > 0 && focusable && facts.shown[i] && !isPinned(facts, i) ? [i] : [],
    );
    return stops.flatMap((to, at): Step[] => {
      const from = stops[at - 1];
      if (from === undefined || layerOf(facts, from) !== layerOf(facts, to) || isOneText(facts, from, to)) return [];
      return [{ from, to, seen: [seenFrom(facts, to, from), seenFrom(facts, from, to)] }];
    });
  },
);

/** The Tab key goes backwards over the page. */
export const focusOrder: Check = {
  id: 'focus-order',
  title: 'Focus jumps back',
  severity: 'poor',
  why: 'Whoever goes through the page by keyboard loses where they are.',
  rule: 'WCAG 2.2, 2.4.3 Focus order',
  judge(facts) {
    return steps(facts).flatMap(({ from, to, seen }): Violation[] => {
      const by = comesBefore(facts, ...seen);
      if (by === undefined) return [];
      return [{ element: facts.elements[to]!.id, amount: by, measured: { by }, others: [facts.elements[from]!.id] }];
    });
  },
  sentence: ({ element, others }, name) => `From ${name(others[0]!)} the focus goes back to ${name(element)}.`,
};
