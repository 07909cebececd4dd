import type { Check, Violation } from '../check';
import { px } from '../check';
import type { PageFacts } from '../facts';
import { boxOf, TOLERANCE } from '../geometry';
import { Cut, Laying } from '../facts';
import { exceeds, isMore, larger, smaller } from '../readers';

const wraps = (facts: PageFacts, i: number) => facts.flow[i] === Laying.wrappingRow || facts.flow[i] === Laying.grid;

/** The items of each wrapping row, where they stand on more than one line: the lowest edge of all. */
function brokenRows(facts: PageFacts): { row: number; bottom: number }[] {
  const rows = new Map<number, { tops: number[]; bottoms: number[] }>();
  for (let i = 1; i < facts.elements.length; i++) {
    const { parent } = facts.elements[i]!;
    if (parent < 0 || !facts.shown[i] || !wraps(facts, parent) || facts.position[i]! >= 2) continue;
    const { top, bottom } = boxOf(facts, i);
    const row = rows.get(parent) ?? { tops: [], bottoms: [] };
    rows.set(parent, row);
    row.tops.push(top);
    row.bottoms.push(bottom);
  }
  const lowest = (list: readonly number[]) => list.reduce((a, b) => larger(facts, a, b));
  const highest = (list: readonly number[]) => list.reduce((a, b) => smaller(facts, a, b));
  return [...rows].flatMap(([row, { tops, bottoms }]) =>
    exceeds(facts, lowest(tops), highest(bottoms) - TOLERANCE - 0.5) ? [{ row, bottom: lowest(bottoms) }] : [],
  );
}

/** A box of fixed height holds a row whose items have gone to further lines and reach past its bottom. */
export const fixedHeight: Check = {
  id: 'fixed-height',
  title: 'Fixed height around a row that wraps',
  severity: 'poor',
  why: 'The box stays as high as it was, so what has wrapped lies over what comes after it.',
  rule: 'Boxes grow with what wraps in them (project profile)',
  judge(facts) {
    if (!facts.fixedHeight.includes(1)) return [];
    const worst = new Map<number, Violation>();
    for (const { row, bottom } of brokenRows(facts))
      for (let at = row; at > 0; at = facts.elements[at]!.parent) {
        if (facts.cutY[at] === Cut.scrolls) break;
        if (!facts.fixedHeight[at]) continue;
        const over = bottom - boxOf(facts, at).bottom;
        if (exceeds(facts, over, TOLERANCE) && isMore(facts, over, worst.get(at)?.amount ?? 0))
          worst.set(at, {
            element: facts.elements[at]!.id,
            amount: over,
            measured: { over },
            others: at === row ? [] : [facts.elements[row]!.id],
          });
        break;
      }
    return [...worst.values()];
  },
  sentence: ({ element, measured, others }, name) =>
    `${name(element)} has a fixed height; ${others[0] ? `the items of ${name(others[0])}` : 'its items'} wrap and reach ${px(measured.over!)} past it.`,
};
