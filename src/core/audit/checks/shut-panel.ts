import type { Check, Violation } from '../check';

/** A closed panel that nothing on the screen opens. */
export const shutPanel: Check = {
  id: 'shut-panel',
  title: 'A panel that nobody can open',
  severity: 'broken',
  why: 'What stands in it can’t be reached, neither by pointer nor by keyboard.',
  rule: 'WCAG 2.2, 2.1.1 Keyboard: what opens a panel is there wherever the panel is',
  judge(facts) {
    return [...(facts.panels ?? [])].flatMap(([panel, { here, openers }]): Violation[] => {
      const { id, parent } = facts.elements[panel]!;
      if (!here || facts.opened === panel || facts.shown[panel] || (parent >= 0 && !facts.shown[parent])) return [];
      // Some panels are opened by scripts alone: of those nothing can be told.
      const isOurs = openers.length > 0 || facts.elements[panel]!.panel === true;
      if (!isOurs || openers.some((one) => facts.shown[one])) return [];
      const others = openers.map((one) => facts.elements[one]!.id);
      return [{ element: id, amount: 1, measured: { openers: openers.length }, others }];
    });
  },
  sentence: ({ element, measured, others }, name) =>
    measured.openers === 0
      ? `Nothing opens ${name(element)}.`
      : `${name(element)} is closed, and ${others.map(name).join(', ')}, which ${others.length === 1 ? 'opens' : 'open'} it, can’t be seen.`,
};
