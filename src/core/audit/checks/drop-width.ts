import type { Check, Violation } from '../check';

/** Items that drop out of a row at widths that are no longer right. */
export const dropWidth: Check = {
  id: 'drop-width',
  title: 'Items drop at the wrong width',
  severity: 'poor',
  why: 'What is hidden though there is room for it isn’t found; what stays though there is none pushes the rest aside.',
  rule: 'Items drop out of a row just where the next no longer fits (project profile)',
  judge(facts) {
    return [...(facts.drops ?? [])].flatMap(([row, { fits, rest, next }]): Violation[] => {
      const { id } = facts.elements[row]!;
      if (next?.fits) return [{ element: id, amount: 1, measured: { fits: 1 }, others: [facts.elements[next.item]!.id] }];
      return fits ? [] : [{ element: id, amount: 2, measured: { fits: 0, rest }, others: [] }];
    });
  },
  sentence: ({ element, measured, others }, name) =>
    measured.fits === 1
      ? `${name(others[0]!)} has dropped out of ${name(element)}, and would have fitted.`
      : `What is left in ${name(element)} doesn’t fit${measured.rest === 0 ? ', and nothing more can drop' : ': the next item should have dropped'}.`,
};
