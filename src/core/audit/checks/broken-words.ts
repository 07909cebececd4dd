import type { Check } from '../check';

function brokenIn(broken: Uint8Array): number[] {
  const found: number[] = [];
  for (let i = 0; i < broken.length; i++) if (broken[i]) found.push(i);
  return found;
}

/** Words are broken inside because their column is narrower than they are. */
export const brokenWords: Check = {
  id: 'broken-words',
  title: 'Words are broken',
  severity: 'poor',
  why: 'A word cut in two without a hyphen is read as two, or not at all.',
  rule: 'Words stay whole (project profile)',
  judge: ({ elements, shown, broken }) =>
    brokenIn(broken).flatMap((i) =>
      shown[i] ? [{ element: elements[i]!.id, amount: broken[i]!, measured: { words: broken[i]! }, others: [] }] : [],
    ),
  sentence: ({ element, measured }, name) =>
    `${name(element)} breaks ${measured.words === 1 ? 'a word' : `${measured.words} words`} in the middle.`,
};
