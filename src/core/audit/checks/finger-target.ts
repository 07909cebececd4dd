import type { Check } from '../check';
import { isMore, smaller } from '../readers';
import { isUnder, targetsOf } from '../targets';

/** A target smaller than what fingers hit without care, at widths of screens that are touched. */
export const fingerTarget: Check = {
  id: 'finger-target',
  title: 'Target is small for a finger',
  severity: 'note',
  why: 'A fingertip covers about 44 px; smaller targets need care, and two tries.',
  rule: 'WCAG 2.2, 2.5.5 Target size (enhanced)',
  limits: {
    least: { label: 'Least size', unit: 'px', usual: 44, least: 16, most: 96 },
    upTo: { label: 'Screens narrower than this are touched', unit: 'px', usual: 600, least: 320, most: 1920 },
  },
  judge(facts, { least, upTo }) {
    if (!isMore(facts, upTo!, facts.viewport.width)) return [];
    return targetsOf(facts).flatMap((target) => {
      if (!isUnder(facts, target, least!)) return [];
      const { element, width, height } = target;
      const under = least! - smaller(facts, width, height);
      return [{ element: facts.elements[element]!.id, amount: under, measured: { width, height, least: least! }, others: [] }];
    });
  },
  sentence: ({ element, measured }, name) =>
    `${name(element)} is ${Math.round(measured.width!)} by ${Math.round(measured.height!)} px; fingers want ${measured.least}.`,
};
