import { Rule } from '../codes';
import type { MeasuredTexts } from './measured-texts';
import type { Page } from './page';
import { lineEnds } from './leading';
import { pairOf } from './stack';
import { Stacker } from './stacker';
import { TextsDown } from './texts-down';

/** A worked-out coordinate may be off by so much from the measured one, px. */
const OFF = 0.1;

/**
 * Works out heights where they were measured.
 * @returns elements that aren't worked out as measured, though all in them is
 */
export function strayIn(whole: Page, texts: MeasuredTexts): number[] {
  // How high rows of tables are is told by two measured viewports together.
  const rule = whole.set.rule.map((one) => (one === Rule.row || one === Rule.rows ? Rule.other : one));
  const page = { ...whole, set: { ...whole.set, rule } };
  const { units } = page.set;
  const measured = texts.facts.boxes;
  const boxes = measured.slice();
  const down = new TextsDown(texts.lines.length);
  texts.lines.forEach((one, p) => {
    if (!one) return;
    const tops = texts.tops[p]!;
    const ends = lineEnds(page.set.paragraphs[p]!.strut, one.styles, page.leading);
    down.set(p, { ...ends, styles: one.styles, tops: tops.map((top) => top - tops[0]!) });
    down.top[p] = tops[0]!;
  });
  new Stacker(page, pairOf(page, texts, texts, page.leading), 0, boxes, down).place(0, boxes[1]!);
  const stray = new Set<number>();
  const off = (x: number, y: number) => Math.abs(boxes[x]! - boxes[y]! - (measured[x]! - measured[y]!)) > OFF;
  /** Whether anything in an element, or its height, isn't as measured. */
  const look = (element: number): boolean => {
    if (rule[element] === Rule.other) return off(element * 4 + 3, element * 4 + 1);
    let isInside = false;
    let isHere = off(element * 4 + 3, element * 4 + 1);
    for (const unit of units[element]!) {
      if (unit < 0) continue;
      const isStray = look(unit);
      isInside ||= isStray && rule[unit] !== Rule.other;
      isHere ||= off(unit * 4 + 1, element * 4 + 1) || isStray;
    }
    if (isHere && !isInside) stray.add(element);
    return isHere || isInside;
  };
  look(0);
  return [...stray];
}
