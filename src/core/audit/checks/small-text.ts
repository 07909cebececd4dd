import type { Check } from '../check';

/** Px. Below this, running text is hard to read for many at arm's length. */
export const SMALLEST_TEXT = 12;

/** Visible text smaller than the project's smallest size. */
export const smallText: Check = {
  id: 'small-text',
  title: 'Text is small',
  severity: 'note',
  why: 'Small type is skipped, or makes people zoom, which brings back sideways scrolling.',
  rule: `Text of at least ${SMALLEST_TEXT} px (project profile)`,
  judge(facts) {
    return facts.elements.flatMap(({ id }, i) => {
      const size = facts.fontSize[i]!;
      if (!facts.shown[i] || facts.lines[i]!.length === 0 || size >= SMALLEST_TEXT - 0.01) return [];
      return [{ element: id, amount: SMALLEST_TEXT - size, measured: { size }, others: [] }];
    });
  },
  sentence: ({ element, measured }, name) => `${name(element)} is set in ${Math.round(measured.size! * 10) / 10} px.`,
};
