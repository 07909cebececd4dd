import { z } from 'zod';
import type { Condition } from './condition';
import { conditionSchema, EDGE_MAX, isWidthOnly } from './condition';

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
  also: z.array(breakpointIdSchema).max(24).readonly().optional(),
});
export interface Breakpoint {
  readonly id: string;
  readonly name: string;
  readonly condition: Condition;
  /** Breakpoints whose overrides hold here too, weaker than one's own; later ones win. */
  readonly also?: readonly string[] | undefined;
}

/** Where a value is written: the base, or one breakpoint. */
export const BASE = 'base';
export type At = typeof BASE | (string & {});
export const atSchema = z.union([z.literal(BASE), breakpointIdSchema], 'Write to "base" or to a breakpoint id.');

/** Upward, downward, bounded, and last those that ask for more than a width. */
function rank(condition: Condition): number {
  if (!isWidthOnly(condition)) return 3;
  if (condition.from !== undefined && condition.below !== undefined) return 2;
  return condition.below !== undefined ? 1 : 0;
}

/** How much of the plane a condition takes, in px² up to the greatest edge; half as much where it asks for a pointer. */
function area(condition: Condition): number {
  const { from = 0, below = EDGE_MAX, heightFrom = 0, heightBelow = EDGE_MAX, orientation, pointer } = condition;
  const whole = (below - from) * (heightBelow - heightFrom);
  // Portrait: from the greater of heightFrom and the width up to heightBelow, summed over the widths.
  const ramp = (to: number) => heightBelow * to - (to * to) / 2;
  const under = Math.max(0, Math.min(below, heightFrom) - from) * (heightBelow - heightFrom);
  const [start, end] = [Math.max(from, heightFrom), Math.min(below, heightBelow)];
  const upright = under + (end > start ? ramp(end) - ramp(start) : 0);
  const part = orientation === 'portrait' ? upright : orientation === 'landscape' ? whole - upright : whole;
  return pointer ? part / 2 : part;
}

/**
 * The order in which breakpoints are written and in which later ones win, as long as nobody changes it: upward ones
 * from narrow to wide, downward ones from wide to narrow, bounded ones, and then those that ask for a height, an
 * orientation or a pointer; inside each the larger part of the plane first. So of two that nest, the inner one wins.
 */
export function defaultOrder(a: Breakpoint, b: Breakpoint): number {
  return rank(a.condition) - rank(b.condition) || area(b.condition) - area(a.condition) || (a.id < b.id ? -1 : 1);
}

export function inDefaultOrder(breakpoints: readonly Breakpoint[]): boolean {
  return breakpoints.every((one, i) => i === 0 || defaultOrder(breakpoints[i - 1]!, one) < 0);
}

/**
 * A breakpoint put into a set (or moved in it, where its id is there): sorted in while the set is in the default
 * order, else where it was, or as late as it may stand. `index` decides instead where it's given.
 */
export function placed(breakpoints: readonly Breakpoint[], one: Breakpoint, index?: number): Breakpoint[] {
  const was = breakpoints.findIndex(({ id }) => id === one.id);
  const rest = breakpoints.filter(({ id }) => id !== one.id);
  const at = (place: number) => [...rest.slice(0, place), one, ...rest.slice(place)];
  if (index !== undefined) return at(Math.min(index, rest.length));
  if (inDefaultOrder(breakpoints)) return [...rest, one].sort(defaultOrder);
  if (was >= 0) return at(was);
  const later = rest.findIndex((other) => defaultOrder(one, other) < 0);
  return at(later < 0 ? rest.length : later);
}

/** A breakpoint's own id preceded by all whose overrides it takes over, weakest first, each once. */
export function takenBy(breakpoints: readonly Breakpoint[], id: string): string[] {
  const byId = new Map(breakpoints.map((one) => [one.id, one]));
  const order: string[] = [];
  const visit = (at: string, above: ReadonlySet<string>) => {
    if (above.has(at)) return;
    for (const other of byId.get(at)?.also ?? []) if (byId.has(other)) visit(other, new Set([...above, at]));
    const known = order.indexOf(at);
    if (known >= 0) order.splice(known, 1);
    order.push(at);
  };
  visit(id, new Set());
  return order;
}

/** The others, which no longer take over from it. */
export function withoutBreakpoint(breakpoints: readonly Breakpoint[], id: string): Breakpoint[] {
  return breakpoints
    .filter((one) => one.id !== id)
    .map((one) => {
      if (!one.also?.includes(id)) return one;
      const { also, ...rest } = one;
      const left = also.filter((other) => other !== id);
      return left.length > 0 ? { ...rest, also: left } : rest;
    });
}

/** Whether some breakpoint would, by way of others, take over from itself. */
export function hasCycle(breakpoints: readonly Breakpoint[]): boolean {
  const byId = new Map(breakpoints.map((one) => [one.id, one]));
  const done = new Set<string>();
  const visit = (id: string, above: readonly string[]): boolean => {
    if (above.includes(id)) return true;
    if (done.has(id)) return false;
    const found = (byId.get(id)?.also ?? []).some((other) => visit(other, [...above, id]));
    done.add(id);
    return found;
  };
  return breakpoints.some(({ id }) => visit(id, []));
}
