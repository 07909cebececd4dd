import type { Leading } from './leading';
import type { MeasuredTexts } from './measured-texts';
import { Rule } from '../codes';
import type { Typesetting } from './paragraph';

/** Distances between what lies one below the other, at one measured viewport, px. */
export interface Gaps {
  /** By element with a stack: before each unit, and at last below the last one. */
  readonly of: ReadonlyMap<number, Float64Array>;
}

/** The line below the last of a paragraph; what is not known is taken to be nothing, and counted to the distance. */
export const endOf = (strut: number, styles: Uint32Array, tops: Float64Array, leading: Leading) =>
  tops[tops.length - 1]! + (leading.below(strut, styles[styles.length - 1]!) ?? 0);

/** Reads them where they were measured. */
export function gapsIn({ rule, units, paragraphs }: Typesetting, texts: MeasuredTexts, leading: Leading): Gaps {
  const of = new Map<number, Float64Array>();
  const { boxes } = texts.facts;
  for (let i = 0; i < rule.length; i++) {
    if (rule[i] !== Rule.stack) continue;
    const list = units[i]!;
    const gaps = new Float64Array(list.length + 1);
    let cursor = boxes[i * 4 + 1]!;
    list.forEach((unit, at) => {
      if (unit >= 0) {
        gaps[at] = boxes[unit * 4 + 1]! - cursor;
        cursor = boxes[unit * 4 + 3]!;
        return;
      }
      const p = -1 - unit;
      const lines = texts.lines[p];
      if (!lines) return;
      const { strut } = paragraphs[p]!;
      gaps[at] = texts.tops[p]![0]! - (leading.above(strut, lines.styles[0]!) ?? 0) - cursor;
      cursor = endOf(strut, lines.styles, texts.tops[p]!, leading);
    });
    gaps[list.length] = boxes[i * 4 + 3]! - cursor;
    of.set(i, gaps);
  }
  return { of };
}

/** Elements of which all that they stand in stacks, so that they are moved by what lies above them. */
export function stacked({ rule, holdsOn }: Typesetting, parents: (i: number) => number): Uint8Array {
  const found = new Uint8Array(rule.length);
  for (let i = 0; i < rule.length; i++) {
    const parent = parents(i);
    const free = i === 0 || holdsOn[i]! >= 0 || (parent >= 0 && found[parent] === 1);
    found[i] = free && rule[i] !== Rule.other ? 1 : 0;
  }
  return found;
}

/** What is needed to set lines of one paragraph below each other, between two measured viewports. */
export interface Between {
  readonly a: MeasuredTexts;
  readonly b: MeasuredTexts;
  readonly gapsA: Gaps;
  readonly gapsB: Gaps;
}
