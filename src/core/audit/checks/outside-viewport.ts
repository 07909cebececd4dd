import type { Check, Violation } from '../check';
import { px } from '../check';
import { boxOf, TOLERANCE, visiblePart } from '../geometry';
import { oncePerGiven } from '../once';
import { exceeds, foundByBox, isMore, larger } from '../readers';
import { textHolders } from '../text';

const CONTENT = new Set(['img', 'input', 'textarea', 'button', 'hr']);

/** Elements that show, with something of their own to see. */
const filled = oncePerGiven(
  (facts) => [facts.elements, facts.shown, textHolders(facts)],
  ({ elements, shown, lines }) =>
    elements.flatMap(({ tag }, i) => (i > 0 && shown[i] && (lines[i]!.length > 0 || CONTENT.has(tag)) ? [i] : [])),
);

/** Something with content stands partly or wholly beyond the left or right edge of the viewport. */
export const outsideViewport: Check = {
  id: 'outside-viewport',
  title: 'Stands outside the viewport',
  severity: 'broken',
  why: 'What lies past the edge is cut from the screen; past the left edge it can not even be scrolled to.',
  rule: 'WCAG 2.2, 1.4.10 Reflow',
  judge(facts) {
    const found = new Map<number, Violation>();
    for (const i of filled(facts)) {
      const element = facts.elements[i]!;
      if (found.has(element.parent)) continue;
      const part = visiblePart(facts, i, boxOf(facts, i));
      if (!part) continue;
      const left = -part.left;
      const right = part.right - facts.viewport.width;
      const beyond = larger(facts, left, right);
      if (!exceeds(facts, beyond, TOLERANCE / 2)) continue;
      const wholly = !exceeds(facts, facts.viewport.width - 0.5, part.left);
      // Wholly past the left edge is how things are put away on purpose: skip links, closed drawers.
      if (!exceeds(facts, part.right, 0.5)) continue;
      foundByBox(facts, i);
      found.set(i, {
        element: element.id,
        amount: beyond,
        measured: { beyond, right: isMore(facts, left, right) ? 0 : 1, wholly: wholly ? 1 : 0 },
        others: [],
      });
    }
    return [...found.values()];
  },
  sentence({ element, measured }, name) {
    const side = measured.right ? 'right' : 'left';
    return measured.wholly
      ? `${name(element)} stands wholly past the ${side} edge, by up to ${px(measured.beyond!)}.`
      : `${name(element)} reaches ${px(measured.beyond!)} past the ${side} edge.`;
  },
};
