import { trackCount } from '../../styles/tracks';
import type { Check } from '../check';

const counted = new Map<string, ReturnType<typeof trackCount>>();

function countOf(template: string): ReturnType<typeof trackCount> {
  if (!counted.has(template)) counted.set(template, trackCount(template));
  return counted.get(template);
}

/** A grid's items need more columns than it has. */
export const rowOverFull: Check = {
  id: 'row-over-full',
  title: 'Row is over-full',
  severity: 'poor',
  why: 'The browser adds columns of its own for what doesn’t fit, so nothing lines up with the grid any more.',
  rule: 'CSS Grid 2, 7.5: implicit columns (project profile)',
  judge(facts) {
    return [...facts.grids].flatMap(([i, { template, columns }]) => {
      // A box that isn't shown has no columns to count.
      const own = facts.shown[i] ? countOf(template) : undefined;
      if (!own || columns <= own) return [];
      return [{ element: facts.elements[i]!.id, amount: columns - own, measured: { own, columns }, others: [] }];
    });
  },
  sentence: ({ element, measured }, name) =>
    `The items of ${name(element)} need ${measured.columns} columns; it has ${measured.own}.`,
};
