import type { Check } from '../check';
import { contentBoxes } from '../content';
import { exceedsBy } from '../facts';

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
    const boxes = width < from! ? [] : contentBoxes(facts);
    if (boxes.length === 0) return [];
    const left = Math.max(0, Math.min(...boxes.map((box) => box.left)));
    const right = Math.min(width, Math.max(...boxes.map((box) => box.right)));
    const share = (100 * (right - left)) / width;
    if (!exceedsBy(facts, least! - share, 0, 0.1)) return [];
    return [
      {
        element: facts.elements[0]!.id,
        amount: least! - share,
        measured: { taken: right - left, share: Math.round(share) },
        others: [],
      },
    ];
  },
  sentence: ({ measured }) => `All content stands in ${Math.round(measured.taken!)} px, ${measured.share}% of the width.`,
};
