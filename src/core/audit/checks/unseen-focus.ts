import type { Check } from '../check';

/** Nothing tells that something has the focus. */
export const unseenFocus: Check = {
  id: 'unseen-focus',
  title: 'Focus can’t be seen',
  severity: 'broken',
  why: 'Whoever goes through the page by keyboard doesn’t know where they are.',
  rule: 'WCAG 2.2, 2.4.7 Focus visible',
  view: 'focused',
  byStyles: () => true,
  judge({ elements, shown, focus }) {
    if (!focus) return [];
    return elements.flatMap(({ id, focusable }, i) =>
      focusable && shown[i] && !focus.changed[i] ? [{ element: id, amount: 1, measured: {}, others: [] }] : [],
    );
  },
  sentence: ({ element }, name) => `${name(element)} looks the same with the focus as without.`,
};
