import { z } from 'zod';
import type { Interval } from './interval';

/** The narrowest and widest edge a breakpoint may have, in px. */
export const EDGE_MIN = 40;
export const EDGE_MAX = 10_000;

const edge = z
  .number('A breakpoint needs a width in px.')
  .min(EDGE_MIN, `A breakpoint can't lie under ${EDGE_MIN} px.`)
  .max(EDGE_MAX, `A breakpoint can't lie over ${EDGE_MAX} px.`)
  .refine((value) => Math.abs(value * 100 - Math.round(value * 100)) < 1e-6, 'A breakpoint has at most two decimals.');

/**
 * Where a breakpoint holds (Media Queries 4, range context). Open downward: `width < below`; open upward:
 * `width >= from`. "900 and narrower" is stored as `below: 901`, so the whole pixel 900 belongs to it.
 */
export const conditionSchema = z.union([z.strictObject({ below: edge }), z.strictObject({ from: edge })], {
  error: (issue) =>
    issue.code === 'invalid_union' && issue.errors.length
      ? (issue.errors.flat().find((inner) => inner.path.length > 0 && inner.code !== 'invalid_type')?.message ??
        'A breakpoint is either "and narrower" (below) or "and wider" (from), with a width in px.')
      : undefined,
});
export type Condition = z.infer<typeof conditionSchema>;

export function conditionInterval(condition: Condition): Interval {
  return 'below' in condition ? { from: 0, below: condition.below } : { from: condition.from, below: Infinity };
}

/** The width where the condition begins or ends to hold. */
export function conditionEdge(condition: Condition): number {
  return 'below' in condition ? condition.below : condition.from;
}

export function withEdge(condition: Condition, value: number): Condition {
  return 'below' in condition ? { below: value } : { from: value };
}

/** The number people see: the last whole width of a downward condition, the first of an upward one. */
export function shownWidth(condition: Condition): number {
  if ('from' in condition) return condition.from;
  return Number.isInteger(condition.below) ? condition.below - 1 : condition.below;
}

/** The condition that holds at `width` and beyond it in the given direction. `width` is a whole number of px. */
export function conditionAt(width: number, direction: 'narrower' | 'wider'): Condition {
  return direction === 'narrower' ? { below: width + 1 } : { from: width };
}

/** In words: "900 and narrower", "1600 and wider", "below 900.5". */
export function describeCondition(condition: Condition): string {
  if ('from' in condition) return `${condition.from} and wider`;
  return Number.isInteger(condition.below) ? `${condition.below - 1} and narrower` : `below ${condition.below}`;
}

/** The media query, in the range syntax of Media Queries 4. */
export function conditionQuery(condition: Condition): string {
  return 'below' in condition ? `(width < ${condition.below}px)` : `(width >= ${condition.from}px)`;
}
