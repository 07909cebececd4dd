import type { Check } from '../check';
import { oncePerGiven } from '../once';

const brokenOnes = oncePerGiven(
  ({ elements, shown, broken }) => [elements, shown, broken],
  ({ elements, shown, broken }) => elements.flatMap((_, i) => (shown[i] && broken[i]! > 0 ? [i] : [])),
);

/** Words are broken inside because their column is narrower than they are. */
export const brokenWords: Check = {
  id: 'broken-words',
  title: 'Words are broken',
  severity: 'poor',
  why: 'A word cut in two without a hyphen is read as two, or not at all.',
  rule: 'Words stay whole (project profile)',
  judge(facts) {
    return brokenOnes(facts).map((i) => {
      const words = facts.broken[i]!;
      return { element: facts.elements[i]!.id, amount: words, measured: { words }, others: [] };
    });
  },
  sentence: ({ element, measured }, name) =>
    `${name(element)} breaks ${measured.words === 1 ? 'a word' : `${measured.words} words`} in the middle.`,
};
