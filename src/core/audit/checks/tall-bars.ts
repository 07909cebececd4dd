import { barsOf } from '../bars';
import type { Check } from '../check';
import { exceeds } from '../readers';

/** Bars that stay on the screen leave too little of its height. */
export const tallBars: Check = {
  id: 'tall-bars',
  title: 'Pinned bars take much height',
  severity: 'poor',
  why: 'On a short screen, or with large type, what is left is a slot to read through.',
  rule: 'Share of the height that pinned bars may take (project profile)',
  view: 'heights',
  limits: { most: { label: 'Most of the height', unit: '%', usual: 30, least: 5, most: 90 } },
  judge(facts, { most }) {
    const bars = barsOf(facts);
    const taken = bars.reduce((sum, { height }) => sum + height, 0);
    if (bars.length === 0 || !exceeds(facts, taken, (facts.viewport.height * most!) / 100)) return [];
    // The bar is what a finding is known by, so that it has to be the same one wherever it is asked.
    const tallest = bars.reduce((a, b) => (exceeds(facts, b.height, a.height) ? b : a));
    return [
      {
        element: facts.elements[tallest.element]!.id,
        amount: taken,
        measured: { taken, height: facts.viewport.height },
        others: bars.filter((bar) => bar !== tallest).map(({ element }) => facts.elements[element]!.id),
      },
    ];
  },
  sentence: ({ element, measured }, name) =>
    `${name(element)} and what else is pinned take ${Math.round(measured.taken!)} of ${measured.height} px, ${Math.round((100 * measured.taken!) / measured.height!)}% of the height.`,
};
