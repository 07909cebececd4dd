import type { Check } from '../check';
import { paintedBy, paintedContrast } from '../contrast';
import { isOverOthers, layerOf } from '../layers';
import { oncePerGiven } from '../once';
import { textHolders } from '../text';

/** Visible text whose contrast can't be told, or may lie over something else. */
const unclear = oncePerGiven(
  (facts) => [textHolders(facts), facts.shown, ...paintedBy(facts)],
  (facts) =>
    textHolders(facts).filter((i) => {
      if (!facts.shown[i]) return false;
      const { ratio, own } = paintedContrast(facts, i);
      return ratio === undefined || (!own && layerOf(facts, i) > 0);
    }),
);

/** Text over a picture, a gradient or something else that lies under it: the contrast can't be told. */
export const unknownContrast: Check = {
  id: 'unknown-contrast',
  title: 'Contrast can’t be told',
  severity: 'note',
  why: 'Over a picture the contrast is another one at every letter. Look at it, or put a colour behind the text.',
  rule: 'WCAG 2.2, 1.4.3 Contrast (minimum)',
  judge(facts) {
    const under = unclear(facts).filter((i) => paintedContrast(facts, i).ratio === undefined || isOverOthers(facts, i));
    return under.map((i) => ({ element: facts.elements[i]!.id, amount: 1, measured: {}, others: [] }));
  },
  sentence: ({ element }, name) => `${name(element)} stands over a picture, a gradient or another box.`,
};
