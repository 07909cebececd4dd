import type { Check, Violation } from '../check';
import { paintedBy, paintedContrast } from '../contrast';
import { oncePerGiven } from '../once';
import { typeExceeds } from '../readers';
import { isOverOthers } from '../layers';
import { textHolders } from '../text';

const CONTROLS = new Set(['button', 'input', 'select', 'textarea']);

/** Visible text whose contrast is known, and low for some size of type. */
const faint = oncePerGiven(
  (facts) => [textHolders(facts), facts.shown, ...paintedBy(facts)],
  (facts, most) =>
    textHolders(facts).filter((i) => {
      const { tag, focusable } = facts.elements[i]!;
      return facts.shown[i] && (focusable || !CONTROLS.has(tag)) && (paintedContrast(facts, i).ratio ?? most) < most;
    }),
);

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
    const found: Violation[] = [];
    for (const i of faint(facts, Math.max(usual!, large!))) {
      const { ratio, own, ink, ground } = paintedContrast(facts, i);
      if (ratio === undefined || ink === undefined || ground === undefined) continue;
      const isBig =
        !typeExceeds(facts, 24, facts.fontSize[i]!) || (facts.bold[i] === 1 && !typeExceeds(facts, 18.66, facts.fontSize[i]!));
      const least = isBig ? large! : usual!;
      if (ratio >= least || (!own && isOverOthers(facts, i))) continue;
      found.push({ element: facts.elements[i]!.id, amount: least / ratio, measured: { ratio, least, ink, ground }, others: [] });
    }
    return found;
  },
  sentence: ({ element, measured }, name) =>
    `${name(element)} has a contrast of ${measured.ratio!.toFixed(2)} to 1; ${measured.least} to 1 is needed.`,
};
