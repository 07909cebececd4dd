import type { Check } from '../check';
import { rowsOf } from '../rows';

/** The last row of a set of equal items holds few of them. */
export const raggedRow: Check = {
  id: 'ragged-row',
  title: 'Last row is ragged',
  severity: 'note',
  why: 'One item alone under full rows looks left over; another number of columns may fit better here.',
  rule: 'The last row is at least so full (project profile)',
  limits: { share: { label: 'Fill of the last row', unit: '%', usual: 50, least: 5, most: 100 } },
  judge(facts, { share }) {
    return rowsOf(facts).flatMap(({ parent, rows }) => {
      const full = rows[0]!.length;
      const left = rows[rows.length - 1]!.length;
      if (rows.length < 2 || full < 3 || rows.slice(0, -1).some((row) => row.length !== full)) return [];
      if ((100 * left) / full >= share!) return [];
      return [
        {
          element: facts.elements[parent]!.id,
          amount: full - left,
          measured: { full, left },
          others: [facts.elements[rows[rows.length - 1]![0]!]!.id],
        },
      ];
    });
  },
  sentence: ({ element, measured }, name) => `The last row of ${name(element)} holds ${measured.left} of ${measured.full} items.`,
};
