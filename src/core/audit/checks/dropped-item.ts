import type { Check } from '../check';
import { rowsOf } from '../rows';

/** An item falls to the next row inside a band, where no breakpoint asks for it. */
export const droppedItem: Check = {
  id: 'dropped-item',
  title: 'An item drops to the next row',
  severity: 'poor',
  why: 'A row that was planned as one breaks apart just under a breakpoint, and what follows moves down.',
  rule: 'Rows of a band stay as they are in it (project profile)',
  limits: { items: { label: 'Only rows of up to so many items', unit: 'items', usual: 5, least: 2, most: 40 } },
  judge(facts, { items: most }) {
    if (!facts.bandTop) return [];
    const planned = new Map(rowsOf(facts.bandTop).map(({ parent, rows }) => [parent, rows.length]));
    return rowsOf(facts).flatMap(({ parent, items, rows, grid }) => {
      if (grid || items.length > most! || rows.length < 2 || planned.get(parent) !== 1) return [];
      const dropped = rows[1]![0]!;
      return [
        {
          element: facts.elements[parent]!.id,
          amount: rows.length,
          measured: { rows: rows.length, items: items.length },
          others: [facts.elements[dropped]!.id],
        },
      ];
    });
  },
  sentence: ({ element, measured, others }, name) =>
    `${name(others[0]!)} drops out of the row of ${name(element)}, which then has ${measured.rows} rows; no breakpoint asks for it.`,
};
