import type { Check } from '../check';
import { contentBoxes } from '../content';
import { exceeds, isMore, larger, smaller } from '../readers';

/** On wide screens the content keeps to a narrow stretch. */
export const narrowContent: Check = {
  id: 'narrow-content',
  title: 'Content stays narrow',
  severity: 'note',
  why: 'A column made for a phone stands in the middle of a wide screen with nothing beside it.',
  rule: 'Share of a wide screen that the content takes (project profile)',
  limits: {
    least: { label: 'Least of the width', unit: '%', usual: 40, least: 5, most: 100 },
    from: { label: 'From this width on', unit: 'px', usual: 1200, least: 320, most: 1920 },
  },
  judge(facts, { least, from }) {
    const { width } = facts.viewport;
    const boxes = isMore(facts, from!, width) ? [] : contentBoxes(facts);
    if (boxes.length === 0) return [];
    const first = boxes.map(({ left }) => left).reduce((a, b) => smaller(facts, a, b));
    const last = boxes.map(({ right }) => right).reduce((a, b) => larger(facts, a, b));
    const taken = smaller(facts, width, last) - larger(facts, 0, first);
    if (!exceeds(facts, (width * least!) / 100, taken + 0.5)) return [];
    const share = (100 * taken) / width;
    return [
      { element: facts.elements[0]!.id, amount: least! - share, measured: { taken, share: Math.round(share) }, others: [] },
    ];
  },
  sentence: ({ measured }) => `All content stands in ${Math.round(measured.taken!)} px, ${measured.share}% of the width.`,
};
