import type { Check } from '../check';
import { px } from '../check';
import type { PageFacts } from '../facts';
import { boxOf, containerOf, TOLERANCE } from '../geometry';
import { Cut } from '../facts';
import { oncePerGiven } from '../once';
import { exceedsBy, isMore, sortedBy } from '../readers';

const MAX_CAUSES = 5;

/** Elements that show, and that nothing around them keeps within its edges. */
const free = oncePerGiven(
  ({ elements, shown, cutX, position }) => [elements, shown, cutX, position],
  (facts) => facts.elements.flatMap((_, i) => (i > 0 && facts.shown[i] && !isContained(facts, i) ? [i] : [])),
);

/** The elements furthest down the tree whose own boxes reach past the viewport's right edge. */
function causes(facts: PageFacts): number[] {
  const found: number[] = [];
  for (const i of free(facts)) {
    if (!isMore(facts, boxOf(facts, i).right, facts.viewport.width + TOLERANCE)) continue;
    const parent = found.lastIndexOf(facts.elements[i]!.parent);
    if (parent >= 0 && isMore(facts, boxOf(facts, i).right, boxOf(facts, found[parent]!).right - TOLERANCE - 0.01))
      found.splice(parent, 1);
    found.push(i);
  }
  return sortedBy(facts, found, (one) => -boxOf(facts, one).right).slice(0, MAX_CAUSES);
}

function isContained(facts: PageFacts, element: number): boolean {
  for (let at = containerOf(facts, element); at > 0; at = containerOf(facts, at)) if (facts.cutX[at] !== Cut.none) return true;
  return false;
}

/** The document is wider than the viewport. */
export const sidewaysScroll: Check = {
  id: 'sideways-scroll',
  title: 'Page scrolls sideways',
  severity: 'broken',
  why: 'Reading means scrolling in two directions, and what lies to the right is easily missed.',
  rule: 'WCAG 2.2, 1.4.10 Reflow',
  judge(facts) {
    const over = facts.scrollWidth - facts.viewport.width;
    // Given in whole px by the browser, so a worked-out one is off by up to one.
    if (over <= 0 || !exceedsBy(facts, over, TOLERANCE / 2, 1)) return [];
    const others = causes(facts).map((element) => facts.elements[element]!.id);
    return [{ element: facts.elements[0]!.id, amount: over, measured: { over, scrollWidth: facts.scrollWidth }, others }];
  },
  sentence({ measured, others }, name) {
    const by = others.length > 0 ? ` Caused by ${others.map(name).join(', ')}.` : '';
    return `The page is ${px(measured.over!)} wider than the viewport.${by}`;
  },
};
