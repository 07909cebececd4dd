import type { Check, Violation } from '../check';
import { px } from '../check';
import type { Box } from '../geometry';
import type { PageFacts } from '../facts';
import { boxOf, isAbove, visiblePart } from '../geometry';
import { oncePerGiven } from '../once';
import { exceeds, isMore, larger, smaller, sortedBy } from '../readers';
import { Level, Positioning } from '../facts';

/** Boxes may overlap by this much, px on each axis: borders that share a line. */
const TOUCH = 2;

/** Elements that show and paint something of their own. */
const painting = oncePerGiven(
  ({ elements, shown, solid, level }) => [elements, shown, solid, level],
  ({ elements, shown, solid, level }) =>
    elements.flatMap((_, i) => (i > 0 && shown[i] && solid[i] && level[i] !== Level.inline ? [i] : [])),
);

/** Whether an element, or one between it and an ancestor, was put out of its place on purpose. */
function isPlaced(facts: PageFacts, element: number, ancestor: number): boolean {
  for (let at = element; at > ancestor; at = facts.elements[at]!.parent)
    if (facts.position[at]! >= Positioning.absolute || facts.pinned[at] || facts.moved[at]) return true;
  return false;
}

function commonAncestor(facts: PageFacts, a: number, b: number): number {
  let at = a;
  while (at > 0 && !isAbove(facts, at, b)) at = facts.elements[at]!.parent;
  return Math.max(0, at);
}

/** Two boxes that paint something lie on each other, though nothing places them there. */
export const overlappingBoxes: Check = {
  id: 'overlapping-boxes',
  title: 'Two boxes overlap',
  severity: 'poor',
  why: 'One hides part of the other, and it is not clear what belongs to which.',
  rule: 'Boxes in the flow stand beside each other (project profile)',
  judge(facts) {
    const all: (Box & { readonly element: number })[] = [];
    for (const i of painting(facts)) {
      const part = visiblePart(facts, i, boxOf(facts, i));
      if (part) all.push({ element: i, ...part });
    }
    const boxes = sortedBy(facts, all, ({ top }) => top);
    const pairs: [number, number, number, number][] = [];
    boxes.forEach((a, index) => {
      for (let next = index + 1; next < boxes.length && isMore(facts, a.bottom - TOUCH + 1, boxes[next]!.top); next++) {
        const b = boxes[next]!;
        if (isAbove(facts, a.element, b.element) || isAbove(facts, b.element, a.element)) continue;
        const across = smaller(facts, a.right, b.right) - larger(facts, a.left, b.left);
        if (isMore(facts, TOUCH - 1, across)) continue;
        const down = smaller(facts, a.bottom, b.bottom) - b.top;
        const common = commonAncestor(facts, a.element, b.element);
        if (isPlaced(facts, a.element, common) || isPlaced(facts, b.element, common)) continue;
        if (!exceeds(facts, across, TOUCH) || !exceeds(facts, down, TOUCH)) continue;
        pairs.push([Math.min(a.element, b.element), Math.max(a.element, b.element), across, down]);
      }
    });
    // What stands in two boxes that overlap does so because they do.
    pairs.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
    const within = (outer: number, inner: number) => outer === inner || isAbove(facts, outer, inner);
    const outermost = pairs.filter(
      (pair) => !pairs.some((other) => other !== pair && within(other[0], pair[0]) && within(other[1], pair[1])),
    );
    const worst = new Map<number, Violation>();
    for (const [first, second, across, down] of outermost) {
      const amount = smaller(facts, across, down);
      if (isMore(facts, amount, worst.get(first)?.amount ?? 0))
        worst.set(first, {
          element: facts.elements[first]!.id,
          amount,
          measured: { across, down },
          others: [facts.elements[second]!.id],
        });
    }
    return [...worst.values()];
  },
  sentence: ({ element, measured, others }, name) =>
    `${name(element)} and ${name(others[0]!)} overlap, ${px(measured.across!)} across and ${px(measured.down!)} down.`,
};
