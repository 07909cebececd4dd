import type { Check } from '../check';
import { lineContrast } from '../contrast';

/** The line around what has the focus stands out too little from what is beside it. */
export const faintFocus: Check = {
  id: 'faint-focus',
  title: 'Line of the focus is faint',
  severity: 'poor',
  why: 'It is there, but many don’t see it, and so not where they are.',
  rule: 'WCAG 2.2, 1.4.11 Non-text contrast; lines that browsers draw as they think best are left out, as it says',
  view: 'focused',
  byStyles: () => true,
  limits: { least: { label: 'Least ratio of the line', unit: 'to 1', usual: 3, least: 1, most: 21 } },
  judge(facts, { least }) {
    const { elements, shown, focus } = facts;
    if (!focus) return [];
    return elements.flatMap(({ id, focusable, parent }, i) => {
      if (!focusable || !shown[i] || focus.drawnByBrowser[i] || !(focus.ring[i * 4 + 3]! > 0)) return [];
      const around = Math.max(0, parent);
      const ratio = lineContrast(facts, focus.ring.subarray(i * 4, i * 4 + 4), focus.apart[i] ? [around] : [around, i]);
      if (ratio === undefined || ratio >= least!) return [];
      return [{ element: id, amount: least! / ratio, measured: { ratio, least: least! }, others: [] }];
    });
  },
  sentence: ({ element, measured }, name) =>
    `The line around ${name(element)} with the focus has a contrast of ${measured.ratio!.toFixed(2)} to 1; ${measured.least} to 1 is needed.`,
};
