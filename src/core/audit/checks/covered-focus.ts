import type { Check } from '../check';
import { barsOf } from '../bars';
import { boxOf, isAbove, isPinned } from '../geometry';
import { exceeds, exceedsBy, foundByBox } from '../readers';

/** Something that has the focus can lie wholly under a bar that is pinned to the screen. */
export const coveredFocus: Check = {
  id: 'covered-focus',
  title: 'Bar covers what has the focus',
  severity: 'poor',
  why: 'Going through the page by keyboard, people do not see where they are.',
  rule: 'WCAG 2.2, 2.4.11 Focus not obscured (minimum)',
  judge(facts) {
    if (!exceedsBy(facts, facts.scrollHeight, facts.viewport.height + 0.5, 1)) return [];
    return barsOf(facts).flatMap((bar) => {
      const room = bar.height - facts.scrollPadding[bar.edge === 'top' ? 0 : 1];
      const hidden: number[] = [];
      for (let i = 1; i < facts.elements.length && hidden.length < 5; i++) {
        if (!facts.elements[i]!.focusable || !facts.shown[i] || isPinned(facts, i)) continue;
        if (bar.within > 0 && !isAbove(facts, bar.within, i)) continue;
        const box = boxOf(facts, i);
        const passes = bar.edge === 'bottom' || !exceeds(facts, bar.box.bottom - 1, box.top);
        if (!passes) continue;
        foundByBox(facts, i);
        if (!exceeds(facts, box.right, bar.box.left + 0.5) || !exceeds(facts, bar.box.right - 0.5, box.left)) continue;
        if (!exceeds(facts, room, box.bottom - box.top - 0.5)) continue;
        hidden.push(i);
      }
      if (hidden.length === 0) return [];
      return [
        {
          element: facts.elements[bar.element]!.id,
          amount: room,
          measured: { height: bar.height, room },
          others: hidden.map((i) => facts.elements[i]!.id),
        },
      ];
    });
  },
  sentence: ({ element, measured, others }, name) =>
    `${name(element)} stays on the screen, ${Math.round(measured.height!)} px high, and can cover ${name(others[0]!)} whole while it has the focus.`,
};
