import type { Check } from '../check';

/** Words are broken inside because their column is narrower than they are. */
export const brokenWords: Check = {
  id: 'broken-words',
  title: 'Words are broken',
  severity: 'poor',
  why: 'A word cut in two without a hyphen is read as two, or not at all.',
  rule: 'Words stay whole (project profile)',
  judge: (facts) =>
    facts.elements.flatMap(({ id }, i) =>
      facts.shown[i] && facts.broken[i]
        ? [{ element: id, amount: facts.broken[i], measured: { words: facts.broken[i] }, others: [] }]
        : [],
    ),
  sentence: ({ element, measured }, name) =>
    `${name(element)} breaks ${measured.words === 1 ? 'a word' : `${measured.words} words`} in the middle.`,
};
