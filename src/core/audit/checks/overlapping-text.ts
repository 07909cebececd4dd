import type { Check, Violation } from '../check';
import { px } from '../check';
import type { Box } from '../geometry';
import type { PageFacts } from '../facts';
import { aroundLines, exceeds, foundOn, isMore, larger, orderBy, smaller } from '../readers';
import { inkOf, isAbove, visiblePart } from '../geometry';
import { isOpaque, layerOf } from '../layers';
import { isOneText, oneTexts } from '../text';

/** Letters may touch by this much, px on each axis, before it is called an overlap. */
const TOUCH = 2;

/** Whether one of two texts stands in a sheet or a bar that is laid over the page and hides what is under it. */
function isCovered(facts: PageFacts, a: number, b: number): boolean {
  const [x, y] = [layerOf(facts, a), layerOf(facts, b)];
  return x !== y && [x, y].some((layer) => layer > 0 && isOpaque(facts, layer));
}

/** Boxes of letters, px; written over at the next viewport, since there are thousands. */
class Boxes {
  length = 0;
  readonly left: number[] = [];
  readonly top: number[] = [];
  readonly right: number[] = [];
  readonly bottom: number[] = [];

  add({ left, top, right, bottom }: Box): void {
    const at = this.length++;
    this.left[at] = left;
    this.top[at] = top;
    this.right[at] = right;
    this.bottom[at] = bottom;
  }

  /** How far two boxes, one of these and one of others, overlap across and down, px; undefined where that is less than a touch. */
  overlap(
    facts: PageFacts,
    a: number,
    b: number,
    of: Boxes = this,
  ): { readonly across: number; readonly down: number } | undefined {
    const down = smaller(facts, this.bottom[a]!, of.bottom[b]!) - larger(facts, this.top[a]!, of.top[b]!);
    if (isMore(facts, TOUCH - 1, down)) return undefined;
    const across = smaller(facts, this.right[a]!, of.right[b]!) - larger(facts, this.left[a]!, of.left[b]!);
    return isMore(facts, TOUCH - 1, across) ? undefined : { across, down };
  }
}

/** Around all lines of each text, and of each element in those that are compared; and lines of which letters show. */
const texts = new Boxes();
const elements = new Boxes();
const lines = new Boxes();

/** Adds a box around all lines of some elements. @returns which one it is */
function addAround(into: Boxes, facts: PageFacts, text: readonly number[]): number {
  into.add(aroundLines(facts, text));
  return into.length - 1;
}

/** Reads an element's lines. @returns the first of them, and the one behind the last */
function readLines(facts: PageFacts, element: number): readonly [number, number] {
  const first = lines.length;
  for (let line = 0; line < facts.lines[element]!.length / 4; line++) {
    const part = visiblePart(facts, element, inkOf(facts, element, line), element);
    if (part) lines.add(part);
  }
  return [first, lines.length];
}

/** The texts of two elements lie on each other. */
export const overlappingText: Check = {
  id: 'overlapping-text',
  title: 'Two texts overlap',
  severity: 'broken',
  why: 'Neither of the two can be read where they overlap.',
  rule: 'WCAG 2.2, 1.4.10 Reflow: no loss of content',
  judge(facts) {
    texts.length = elements.length = lines.length = 0;
    const all = oneTexts(facts);
    for (const text of all) addAround(texts, facts, text);
    const order = orderBy(facts, texts.length, texts.top);
    const worst = new Map<string, Violation>();
    const boxes = new Map<number, number>();
    const boxOf = (element: number) => {
      let box = boxes.get(element);
      if (box === undefined) boxes.set(element, (box = addAround(elements, facts, [element])));
      return box;
    };
    const known = new Map<number, readonly [number, number]>();
    const linesOf = (element: number) => {
      let own = known.get(element);
      if (!own) known.set(element, (own = readLines(facts, element)));
      return own;
    };
    const compare = (a: number, b: number) => {
      const [one, other] = a < b ? [a, b] : [b, a];
      const [xs, ys] = [linesOf(a), linesOf(b)];
      for (let x = xs[0]; x < xs[1]; x++)
        for (let y = ys[0]; y < ys[1]; y++) {
          const over = lines.overlap(facts, x, y);
          if (!over || !exceeds(facts, over.across, TOUCH) || !exceeds(facts, over.down, TOUCH)) continue;
          if (isAbove(facts, one, other) || isCovered(facts, one, other)) return;
          foundOn(facts, one, other);
          const key = facts.elements[one]!.id;
          const amount = smaller(facts, over.across, over.down);
          if (!isMore(facts, amount, worst.get(key)?.amount ?? 0)) continue;
          worst.set(key, { element: key, amount, measured: { ...over }, others: [facts.elements[other]!.id] });
        }
    };
    order.forEach((a, index) => {
      const end = texts.bottom[a]! - TOUCH + 1;
      for (let next = index + 1; next < order.length && isMore(facts, end, texts.top[order[next]!]!); next++) {
        const b = order[next]!;
        if (isOneText(facts, all[a]![0]!, all[b]![0]!) || !texts.overlap(facts, a, b)) continue;
        const near = all[b]!.filter((one) => elements.overlap(facts, boxOf(one), a, texts));
        for (const one of all[a]!)
          for (const other of near) if (elements.overlap(facts, boxOf(one), boxOf(other))) compare(one, other);
      }
    });
    return [...worst.values()];
  },
  sentence: ({ element, measured, others }, name) =>
    `${name(element)} and ${name(others[0]!)} lie on each other, ${px(measured.across!)} across and ${px(measured.down!)} down.`,
};
