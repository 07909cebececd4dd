import type { Check } from '../check';
import { paintedContrast } from '../contrast';
import { isOverOthers } from '../layers';

/** Text over a picture, a gradient or something else that lies under it: the contrast can't be told. */
export const unknownContrast: Check = {
  id: 'unknown-contrast',
  title: 'Contrast can’t be told',
  severity: 'note',
  why: 'Over a picture the contrast is another one at every letter. Look at it, or put a colour behind the text.',
  rule: 'WCAG 2.2, 1.4.3 Contrast (minimum)',
  judge: (facts) =>
    facts.elements.flatMap(({ id }, i) => {
      if (!facts.shown[i] || facts.lines[i]!.length === 0) return [];
      const { ratio, own } = paintedContrast(facts, i);
      const under = ratio === undefined ? true : !own && isOverOthers(facts, i);
      return under ? [{ element: id, amount: 1, measured: {}, others: [] }] : [];
    }),
  sentence: ({ element }, name) => `${name(element)} stands over a picture, a gradient or another box.`,
};
