import type { Check } from '../check';
import { isMore, typeExceeds } from '../readers';

const NOT_TYPED_INTO = new Set(['checkbox', 'radio', 'range', 'button', 'submit', 'reset', 'color', 'file', 'image', 'hidden']);

/** A field's text is so small that phones zoom in when it is pressed. */
export const fieldZoom: Check = {
  id: 'field-zoom',
  title: 'Field text makes phones zoom',
  severity: 'poor',
  why: 'Some phones enlarge the page when a field with small text is pressed, and what stood around it is gone.',
  rule: 'Text in fields of at least 16 px where fingers press (project profile)',
  limits: {
    least: { label: 'Smallest text in fields', unit: 'px', usual: 16, least: 10, most: 32 },
    upTo: { label: 'Screens narrower than this are touched', unit: 'px', usual: 600, least: 320, most: 1920 },
  },
  judge(facts, { least, upTo }) {
    if (!isMore(facts, upTo!, facts.viewport.width)) return [];
    return facts.elements.flatMap(({ id, tag, type }, i) => {
      const typed = tag === 'textarea' || tag === 'select' || (tag === 'input' && !NOT_TYPED_INTO.has(type ?? ''));
      const size = facts.fontSize[i]!;
      if (!typed || !facts.shown[i] || !typeExceeds(facts, least! - size, 0.01)) return [];
      return [{ element: id, amount: least! - size, measured: { size, least: least! }, others: [] }];
    });
  },
  sentence: ({ element, measured }, name) =>
    `${name(element)} sets what is typed in ${Math.round(measured.size! * 10) / 10} px, under ${measured.least}.`,
};
