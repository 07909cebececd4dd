import type { Check, Violation } from '../check';
import { px } from '../check';
import type { Box } from '../geometry';
import type { PageFacts } from '../facts';
import { exceeds, foundOn, isMore, larger, orderBy, smaller } from '../readers';
import { inkOf, isAbove, visiblePart } from '../geometry';
import { isOpaque, layerOf } from '../layers';
import { isOneText, textHolders } from '../text';

/** Letters may touch by this much, px on each axis, before it is called an overlap. */
const TOUCH = 2;

/** Whether one of two texts stands in a sheet or a bar that is laid over the page and hides what is under it. */
function isCovered(facts: PageFacts, a: number, b: number): boolean {
  const [x, y] = [layerOf(facts, a), layerOf(facts, b)];
  return x !== y && [x, y].some((layer) => layer > 0 && isOpaque(facts, layer));
}

/** All lines that show, each with where its letters are, px. */
class Lines {
  length = 0;
  readonly element: number[] = [];
  readonly left: number[] = [];
  readonly top: number[] = [];
  readonly right: number[] = [];
  readonly bottom: number[] = [];

  add(element: number, { left, top, right, bottom }: Box): void {
    const at = this.length++;
    this.element[at] = element;
    this.left[at] = left;
    this.top[at] = top;
    this.right[at] = right;
    this.bottom[at] = bottom;
  }
}

/** To be written over at the next viewport: there are thousands. */
const lines = new Lines();

/** The texts of two elements lie on each other. */
export const overlappingText: Check = {
  id: 'overlapping-text',
  title: 'Two texts overlap',
  severity: 'broken',
  why: 'Neither of the two can be read where they overlap.',
  rule: 'WCAG 2.2, 1.4.10 Reflow: no loss of content',
  judge(facts) {
    lines.length = 0;
    for (const i of textHolders(facts)) {
      if (i === 0 || !facts.shown[i]) continue;
      for (let line = 0; line < facts.lines[i]!.length / 4; line++) {
        const part = visiblePart(facts, i, inkOf(facts, i, line), i);
        if (part) lines.add(i, part);
      }
    }
    const { element, left, top, right, bottom } = lines;
    const order = orderBy(facts, lines.length, top);
    const worst = new Map<string, Violation>();
    order.forEach((a, index) => {
      const end = bottom[a]! - TOUCH + 1;
      for (let next = index + 1; next < order.length && isMore(facts, end, top[order[next]!]!); next++) {
        const b = order[next]!;
        const [one, other] = [element[a]!, element[b]!];
        if (one === other || isOneText(facts, one, other)) continue;
        const across = smaller(facts, right[a]!, right[b]!) - larger(facts, left[a]!, left[b]!);
        if (isMore(facts, TOUCH - 1, across)) continue;
        const down = smaller(facts, bottom[a]!, bottom[b]!) - top[b]!;
        if (!exceeds(facts, across, TOUCH) || !exceeds(facts, down, TOUCH)) continue;
        if (isAbove(facts, one, other) || isAbove(facts, other, one)) continue;
        if (isCovered(facts, one, other)) continue;
        foundOn(facts, one, other);
        const [first, second] = one < other ? [one, other] : [other, one];
        const key = facts.elements[first]!.id;
        const amount = smaller(facts, across, down);
        if (!isMore(facts, amount, worst.get(key)?.amount ?? 0)) continue;
        worst.set(key, { element: key, amount, measured: { across, down }, others: [facts.elements[second]!.id] });
      }
    });
    return [...worst.values()];
  },
  sentence: ({ element, measured, others }, name) =>
    `${name(element)} and ${name(others[0]!)} lie on each other, ${px(measured.across!)} across and ${px(measured.down!)} down.`,
};
