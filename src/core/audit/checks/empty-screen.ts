import { areaOfUnion } from '../area';
import type { Check } from '../check';
import { contentBoxes } from '../content';
import { areaExceeds, isMore, larger, SLACK, smaller } from '../readers';

/** Worked-out areas are off by no more of the screen. */
const ROUNDING = 0.002;

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
        left: larger(facts, 0, box.left),
        top: larger(facts, 0, box.top),
        right: smaller(facts, width, box.right),
        bottom: smaller(facts, height, box.bottom),
      };
      return isMore(facts, part.right, part.left) && isMore(facts, part.bottom, part.top) ? [part] : [];
    });
    const screen = width * height;
    const free = screen - areaOfUnion(facts, inside);
    const edges = inside.reduce((sum, box) => sum + 2 * (box.right - box.left + box.bottom - box.top), 0);
    const slack = Math.min(screen * ROUNDING, edges * SLACK);
    if (!areaExceeds(facts, free, (screen * most!) / 100, slack)) return [];
    const empty = (100 * free) / screen;
    return [{ element: facts.elements[0]!.id, amount: empty - most!, measured: { empty: Math.round(empty) }, others: [] }];
  },
  sentence: ({ measured }) => `${measured.empty}% of the first screenful holds nothing.`,
};
