import type { Check, Violation } from '../check';
import type { PageFacts } from '../facts';
import { countLines } from '../text';

const LABEL_ROLES = new Set(['button', 'tab', 'menuitem', 'menuitemradio', 'menuitemcheckbox']);

/** Buttons, tabs and menu entries, and links of a navigation: short labels that are meant for one line. */
function isLabel(elements: PageFacts['elements'], element: number): boolean {
  const { tag, role } = elements[element]!;
  if (tag === 'button' || (role !== undefined && LABEL_ROLES.has(role))) return true;
  if (tag !== 'a') return false;
  for (let at = elements[element]!.parent; at >= 0; at = elements[at]!.parent)
    if (elements[at]!.tag === 'nav' || elements[at]!.role === 'navigation') return true;
  return false;
}

const known = new WeakMap<PageFacts['elements'], Int32Array>();

/** For each element the label that its text belongs to, -1 for none. It never changes while a document stands. */
function labelsOf(elements: PageFacts['elements']): Int32Array {
  let labels = known.get(elements);
  if (!labels) {
    labels = Int32Array.from(elements, (_, i) => {
      for (let at = i; at > 0; at = elements[at]!.parent) if (isLabel(elements, at)) return at;
      return -1;
    });
    known.set(elements, labels);
  }
  return labels;
}

/** The text of a button, tab or menu entry stands on more than one line. */
export const wrappedLabel: Check = {
  id: 'wrapped-label',
  title: 'Label breaks into lines',
  severity: 'poor',
  why: 'Labels are read at a glance; broken ones look like two, and they push their neighbours about.',
  rule: 'Labels stay on one line (project profile)',
  judge(facts) {
    const labels = labelsOf(facts.elements);
    const texts = new Map<number, Float64Array[]>();
    for (let i = 1; i < facts.elements.length; i++) {
      const label = labels[i]!;
      if (label < 0 || !facts.shown[i] || facts.lines[i]!.length === 0) continue;
      const list = texts.get(label);
      if (list) list.push(facts.lines[i]!);
      else texts.set(label, [facts.lines[i]!]);
    }
    const found: Violation[] = [];
    for (const [label, lines] of texts) {
      if (lines.length === 1 && lines[0]!.length === 4) continue;
      const count = countLines(facts, lines);
      if (count > 1) found.push({ element: facts.elements[label]!.id, amount: count, measured: { lines: count }, others: [] });
    }
    return found;
  },
  sentence: ({ element, measured }, name) => `${name(element)} stands on ${measured.lines} lines.`,
};
