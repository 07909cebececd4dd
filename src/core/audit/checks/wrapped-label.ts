import type { Check, Violation } from '../check';
import type { PageFacts } from '../facts';
import { countLines } from '../text';

const LABEL_ROLES = new Set(['button', 'tab', 'menuitem', 'menuitemradio', 'menuitemcheckbox']);

/** Buttons, tabs and menu entries, and links of a navigation: short labels that are meant for one line. */
function isLabel(facts: PageFacts, element: number): boolean {
  const { tag, role } = facts.elements[element]!;
  if (tag === 'button' || (role !== undefined && LABEL_ROLES.has(role))) return true;
  if (tag !== 'a') return false;
  for (let at = facts.elements[element]!.parent; at >= 0; at = facts.elements[at]!.parent)
    if (facts.elements[at]!.tag === 'nav' || facts.elements[at]!.role === 'navigation') return true;
  return false;
}

/** The text of a button, tab or menu entry stands on more than one line. */
export const wrappedLabel: Check = {
  id: 'wrapped-label',
  title: 'Label breaks into lines',
  severity: 'poor',
  why: 'Labels are read at a glance; broken ones look like two, and they push their neighbours about.',
  rule: 'Labels stay on one line (project profile)',
  judge(facts) {
    const texts = new Map<number, Float64Array[]>();
    for (let i = 1; i < facts.elements.length; i++) {
      if (!facts.shown[i] || facts.lines[i]!.length === 0) continue;
      for (let at = i; at > 0; at = facts.elements[at]!.parent) {
        if (!isLabel(facts, at)) continue;
        texts.set(at, [...(texts.get(at) ?? []), facts.lines[i]!]);
        break;
      }
    }
    const found: Violation[] = [];
    for (const [label, lines] of texts) {
      const count = countLines(facts, lines);
      if (count > 1)
        found.push({ element: facts.elements[label]!.id, amount: count, measured: { lines: count }, others: [] });
    }
    return found;
  },
  sentence: ({ element, measured }, name) => `${name(element)} stands on ${measured.lines} lines.`,
};
