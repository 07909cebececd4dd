import type { Check, Violation } from '../check';
import { px } from '../check';
import type { Box } from '../geometry';
import type { PageFacts } from '../facts';
import { exceeds, foundOn, isMore, larger, smaller, sortedBy } from '../readers';
import { inkOf, isAbove, visiblePart } from '../geometry';
import { isOpaque, layerOf } from '../layers';
import { isOneText } from '../text';

/** Letters may touch by this much, px on each axis, before it is called an overlap. */
const TOUCH = 2;

/** Whether one of two texts stands in a sheet or a bar that is laid over the page and hides what is under it. */
function isCovered(facts: PageFacts, a: number, b: number): boolean {
  const [x, y] = [layerOf(facts, a), layerOf(facts, b)];
  return x !== y && [x, y].some((layer) => layer > 0 && isOpaque(facts, layer));
}

interface Line extends Box {
  readonly element: number;
}

/** The texts of two elements lie on each other. */
export const overlappingText: Check = {
  id: 'overlapping-text',
  title: 'Two texts overlap',
  severity: 'broken',
  why: 'Neither of the two can be read where they overlap.',
  rule: 'WCAG 2.2, 1.4.10 Reflow: no loss of content',
  judge(facts) {
    const all: Line[] = [];
    for (let i = 1; i < facts.elements.length; i++) {
      if (!facts.shown[i]) continue;
      for (let line = 0; line < facts.lines[i]!.length / 4; line++) {
        const part = visiblePart(facts, i, inkOf(facts, i, line), i);
        if (part) all.push({ element: i, left: part.left, top: part.top, right: part.right, bottom: part.bottom });
      }
    }
    const lines = sortedBy(facts, all, ({ top }) => top);
    const worst = new Map<string, Violation>();
    lines.forEach((a, index) => {
      for (let next = index + 1; next < lines.length && isMore(facts, a.bottom - TOUCH + 1, lines[next]!.top); next++) {
        const b = lines[next]!;
        if (a.element === b.element || isOneText(facts, a.element, b.element)) continue;
        const across = smaller(facts, a.right, b.right) - larger(facts, a.left, b.left);
        if (isMore(facts, TOUCH - 1, across)) continue;
        const down = smaller(facts, a.bottom, b.bottom) - b.top;
        if (!exceeds(facts, across, TOUCH) || !exceeds(facts, down, TOUCH)) continue;
        if (isAbove(facts, a.element, b.element) || isAbove(facts, b.element, a.element)) continue;
        if (isCovered(facts, a.element, b.element)) continue;
        foundOn(facts, a.element, b.element);
        const [first, second] = a.element < b.element ? [a.element, b.element] : [b.element, a.element];
        const key = facts.elements[first]!.id;
        const amount = smaller(facts, across, down);
        if (!isMore(facts, amount, worst.get(key)?.amount ?? 0)) continue;
        worst.set(key, { element: key, amount, measured: { across, down }, others: [facts.elements[second]!.id] });
      }
    });
    return [...worst.values()];
  },
  sentence: ({ element, measured, others }, name) =>
    `${name(element)} and ${name(others[0]!)} lie on each other, ${px(measured.across!)} across and ${px(measured.down!)} down.`,
};
