import type { Check, Violation } from '../check';
import { paintedContrast } from '../contrast';
import { typeExceeds } from '../readers';
import { isOverOthers } from '../layers';
import { textHolders } from '../text';

const CONTROLS = new Set(['button', 'input', 'select', 'textarea']);

/** Text that stands out too little from what is behind it. */
export const contrast: Check = {
  id: 'contrast',
  title: 'Contrast is low',
  severity: 'broken',
  why: 'Many can not read it at all, and in the sun nobody can.',
  rule: 'WCAG 2.2, 1.4.3 Contrast (minimum)',
  limits: {
    usual: { label: 'Least ratio', unit: 'to 1', usual: 4.5, least: 1, most: 21 },
    large: { label: 'Least ratio of large text', unit: 'to 1', usual: 3, least: 1, most: 21 },
  },
  judge(facts, { usual, large }) {
    const most = Math.max(usual!, large!);
    const found: Violation[] = [];
    for (const i of textHolders(facts)) {
      const { id, tag, focusable } = facts.elements[i]!;
      if (!facts.shown[i]) continue;
      const { ratio, own, ink, ground } = paintedContrast(facts, i);
      if (ratio === undefined || ink === undefined || ground === undefined || ratio >= most) continue;
      if (CONTROLS.has(tag) && !focusable) continue;
      const isBig =
        !typeExceeds(facts, 24, facts.fontSize[i]!) || (facts.bold[i] === 1 && !typeExceeds(facts, 18.66, facts.fontSize[i]!));
      const least = isBig ? large! : usual!;
      if (ratio >= least || (!own && isOverOthers(facts, i))) continue;
      found.push({ element: id, amount: least / ratio, measured: { ratio, least, ink, ground }, others: [] });
    }
    return found;
  },
  sentence: ({ element, measured }, name) =>
    `${name(element)} has a contrast of ${measured.ratio!.toFixed(2)} to 1; ${measured.least} to 1 is needed.`,
};
