import type { Check, Violation } from '../check';
import { px } from '../check';
import type { Box } from '../geometry';
import type { PageFacts } from '../facts';
import { boxOf, TOLERANCE } from '../geometry';
import { exceeds, isMore, smaller } from '../readers';

interface Item {
  readonly index: number;
  readonly box: Box;
}
interface Line {
  readonly parent: number;
  readonly items: Item[];
}

/** Siblings with the same share of their row, line by line. */
function linesOf(facts: PageFacts): Line[] {
  const rows = new Map<string, Line[]>();
  for (let i = 1; i < facts.elements.length; i++) {
    if (!facts.shown[i] || !(facts.share[i]! > 0)) continue;
    const { parent } = facts.elements[i]!;
    const box = boxOf(facts, i);
    const key = `${parent} ${facts.share[i]}`;
    let lines = rows.get(key);
    if (!lines) rows.set(key, (lines = []));
    lineOf(facts, lines, parent, box).items.push({ index: i, box });
  }
  return [...rows.values()].flat();
}

/** The line of an item, of lines from the top down: with one of it, it shares some of its height. What comes later mostly stands lower. */
function lineOf(facts: PageFacts, lines: Line[], parent: number, { top, bottom }: Box): Line {
  let place = lines.length;
  for (; place > 0; place--) {
    const line = lines[place - 1]!;
    let isBelow = true;
    for (const { box } of line.items) {
      if (!exceeds(facts, box.bottom, top + 0.5)) continue;
      isBelow = false;
      if (exceeds(facts, bottom, box.top + 0.5)) return line;
    }
    if (isBelow) break;
  }
  const line = { parent, items: [] };
  lines.splice(place, 0, line);
  return line;
}

/** Items that were given the same share of a row aren't equally wide. */
export const unequalItems: Check = {
  id: 'unequal-items',
  title: 'Items are not equal',
  severity: 'note',
  why: 'They were made equally wide, but a long word or a wide picture in one takes room from the others.',
  rule: 'Items of the same share are equally wide (project profile)',
  judge(facts) {
    const worst = new Map<number, Violation>();
    for (const { parent, items } of linesOf(facts)) {
      if (items.length < 2) continue;
      const widths = items.map(({ box }) => box.right - box.left);
      const widest = widths.reduce((best, width, i) => (isMore(facts, width, widths[best]!) ? i : best), 0);
      const most = widths[widest]!;
      const least = widths.reduce((a, b) => smaller(facts, a, b));
      if (!exceeds(facts, most - least, TOLERANCE) || !isMore(facts, most - least, worst.get(parent)?.amount ?? 0)) continue;
      const wide = facts.elements[items[widest]!.index]!.id;
      worst.set(parent, { element: facts.elements[parent]!.id, amount: most - least, measured: { least, most }, others: [wide] });
    }
    return [...worst.values()];
  },
  sentence: ({ element, measured, others }, name) =>
    `Items of ${name(element)} are ${px(measured.least!)} to ${px(measured.most!)} wide; ${name(others[0]!)} is the widest.`,
};
