import type { Check, Violation } from '../check';

/** Words are broken inside because their column is narrower than they are. */
export const brokenWords: Check = {
  id: 'broken-words',
  title: 'Words are broken',
  severity: 'poor',
  why: 'A word cut in two without a hyphen is read as two, or not at all.',
  rule: 'Words stay whole (project profile)',
  judge({ elements, shown, broken }) {
    const found: Violation[] = [];
    broken.forEach((words, i) => {
      if (words > 0 && shown[i]) found.push({ element: elements[i]!.id, amount: words, measured: { words }, others: [] });
    });
    return found;
  },
  sentence: ({ element, measured }, name) =>
    `${name(element)} breaks ${measured.words === 1 ? 'a word' : `${measured.words} words`} in the middle.`,
};
