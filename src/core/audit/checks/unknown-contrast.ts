import type { Check } from '../check';
import { paintedContrast } from '../contrast';
import { isOverOthers } from '../layers';
import { textHolders } from '../text';

/** Text over a picture, a gradient or something else that lies under it: the contrast can't be told. */
export const unknownContrast: Check = {
  id: 'unknown-contrast',
  title: 'Contrast can’t be told',
  severity: 'note',
  why: 'Over a picture the contrast is another one at every letter. Look at it, or put a colour behind the text.',
  rule: 'WCAG 2.2, 1.4.3 Contrast (minimum)',
  judge(facts) {
    const under = textHolders(facts).filter((i) => {
      if (!facts.shown[i]) return false;
      const { ratio, own } = paintedContrast(facts, i);
      return ratio === undefined || (!own && isOverOthers(facts, i));
    });
    return under.map((i) => ({ element: facts.elements[i]!.id, amount: 1, measured: {}, others: [] }));
  },
  sentence: ({ element }, name) => `${name(element)} stands over a picture, a gradient or another box.`,
};
