import { Rule } from '../codes';
import type { FloatGaps } from './float-gaps';
import { floatGapsIn } from './float-gaps';
import type { Leading } from './leading';
import { lineEnds } from './leading';
import type { MeasuredTexts } from './measured-texts';
import type { Typesetting } from './paragraph';

/** Distances between what lies one below the other, at one measured viewport, px. */
export interface Gaps {
  /** By element with a stack: before each unit, and at last below the last one. */
  readonly of: readonly (Float64Array | undefined)[];
  readonly floats?: FloatGaps | undefined;
}

/** Reads them where they were measured. */
export function gapsIn({ rule, units, paragraphs, floats }: Typesetting, texts: MeasuredTexts, leading: Leading): Gaps {
  const of: (Float64Array | undefined)[] = Array.from({ length: rule.length }, () => undefined);
  const { boxes } = texts.facts;
  const cursors = floats && new Float64Array(floats.element.length);
  for (let i = 0; i < rule.length; i++) {
    if (rule[i] !== Rule.stack) continue;
    const list = units[i]!;
    const gaps = new Float64Array(list.length + 1);
    let cursor = boxes[i * 4 + 1]!;
    const meetFloats = (before: number) =>
      floats?.element.forEach((_, f) => {
        if (floats.parent[f] === i && floats.before[f] === before) cursors![f] = cursor;
      });
    list.forEach((unit, at) => {
      meetFloats(at);
      if (unit >= 0) {
        gaps[at] = boxes[unit * 4 + 1]! - cursor;
        cursor = boxes[unit * 4 + 3]!;
        return;
      }
      const p = -1 - unit;
      const lines = texts.lines[p];
      if (!lines) return;
      const tops = texts.tops[p]!;
      const { above, below } = lineEnds(paragraphs[p]!.strut, lines.styles, leading);
      gaps[at] = tops[0]! - above - cursor;
      cursor = tops[tops.length - 1]! + below;
    });
    meetFloats(list.length);
    gaps[list.length] = boxes[i * 4 + 3]! - cursor;
    of[i] = gaps;
  }
  return { of, floats: floats && floatGapsIn(floats, boxes, cursors!) };
}
