import type { Check, Violation } from '../check';
import { boxOf } from '../geometry';
import { oncePerGiven } from '../once';
import { exceeds } from '../readers';

const firstOnes = oncePerGiven(
  ({ elements }) => [elements],
  ({ elements }) => elements.flatMap(({ first }, i) => (first ? [i] : [])),
);

/** What must be seen first isn't in the first screenful. */
export const firstBelow: Check = {
  id: 'first-below',
  title: 'Not in the first screenful',
  severity: 'broken',
  why: 'It was marked as what people must see first; here they have to scroll to it.',
  rule: 'Marked elements stand in the first screenful (project profile)',
  view: 'heights',
  judge(facts) {
    return firstOnes(facts).flatMap((i): Violation[] => {
      const { id } = facts.elements[i]!;
      const { height } = facts.viewport;
      if (!facts.shown[i]) return [{ element: id, amount: height, measured: { hidden: 1, height }, others: [] }];
      const below = boxOf(facts, i).bottom - height;
      if (!exceeds(facts, below, 0.5)) return [];
      return [{ element: id, amount: below, measured: { below, height }, others: [] }];
    });
  },
  sentence: ({ element, measured }, name) =>
    measured.hidden
      ? `${name(element)} must be seen first, and is hidden.`
      : `${name(element)} ends ${Math.round(measured.below!)} px below the first screenful of ${measured.height} px.`,
};
