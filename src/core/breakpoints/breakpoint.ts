import { z } from 'zod';
import { conditionEdge, conditionSchema } from './condition';

export const breakpointIdSchema = z.string().regex(/^b[a-z0-9]{1,24}$/, 'Not a breakpoint id.');

export const breakpointNameSchema = z
  .string('A breakpoint needs a name.')
  .trim()
  .min(1, 'A breakpoint needs a name.')
  .max(60, 'A breakpoint name has at most 60 characters.');

export const breakpointSchema = z.strictObject({
  id: breakpointIdSchema,
  name: breakpointNameSchema,
  condition: conditionSchema,
});
export type Breakpoint = z.infer<typeof breakpointSchema>;

/** Where a value is written: the base, or one breakpoint. */
export const BASE = 'base';
export type At = typeof BASE | (string & {});
export const atSchema = z.union([z.literal(BASE), breakpointIdSchema], 'Write to "base" or to a breakpoint id.');

/**
 * The order in which breakpoints are written and in which later ones win: upward ones from narrow to wide, then
 * downward ones from wide to narrow. So of two that nest, the narrower condition always wins.
 */
export function defaultOrder(a: Breakpoint, b: Breakpoint): number {
  const downward = (breakpoint: Breakpoint) => ('below' in breakpoint.condition ? 1 : 0);
  return (
    downward(a) - downward(b) ||
    (downward(a)
      ? conditionEdge(b.condition) - conditionEdge(a.condition)
      : conditionEdge(a.condition) - conditionEdge(b.condition))
  );
}
