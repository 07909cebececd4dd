import { areaOfUnion } from '../area';
import type { Check } from '../check';
import { contentBoxes } from '../content';
import { exceedsBy } from '../facts';

/** Much of the first screenful holds nothing. */
export const emptyScreen: Check = {
  id: 'empty-screen',
  title: 'First screenful is empty',
  severity: 'note',
  why: 'Room that nothing uses: the layout was made for another size.',
  rule: 'Share of the first screenful that may hold nothing (project profile)',
  view: 'heights',
  limits: { most: { label: 'Most of it empty', unit: '%', usual: 80, least: 10, most: 99 } },
  judge(facts, { most }) {
    const { width, height } = facts.viewport;
    const inside = contentBoxes(facts).flatMap((box) => {
      const part = {
        left: Math.max(0, box.left),
        top: Math.max(0, box.top),
        right: Math.min(width, box.right),
        bottom: Math.min(height, box.bottom),
      };
      return part.right > part.left && part.bottom > part.top ? [part] : [];
    });
    const empty = 100 * (1 - areaOfUnion(inside) / (width * height));
    if (!exceedsBy(facts, empty, most!, 0.2)) return [];
    return [{ element: facts.elements[0]!.id, amount: empty - most!, measured: { empty: Math.round(empty) }, others: [] }];
  },
  sentence: ({ measured }) => `${measured.empty}% of the first screenful holds nothing.`,
};
