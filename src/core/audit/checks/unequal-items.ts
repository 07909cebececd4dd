import type { Check, Violation } from '../check';
import { px } from '../check';
import type { Box } from '../geometry';
import type { PageFacts } from '../facts';
import { boxOf, TOLERANCE } from '../geometry';
import { oncePerGiven } from '../once';
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
  return likeSiblings(facts).flatMap((siblings) => {
    const lines: Line[] = [];
    for (const index of siblings) {
      const box = boxOf(facts, index);
      lineOf(facts, lines, facts.elements[index]!.parent, box).items.push({ index, box });
    }
    return lines;
  });
}

const likeSiblings = oncePerGiven(
  ({ elements, share, shown }) => [elements, share, shown],
  ({ elements, share, shown }) => {
    const found = new Map<string, number[]>();
    elements.forEach(({ parent }, i) => {
      if (i === 0 || !shown[i] || !(share[i]! > 0)) return;
      const key = `${parent} ${share[i]}`;
      found.set(key, [...(found.get(key) ?? []), i]);
    });
    return [...found.values()];
  },
);

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
