import { Level } from './codes';
import type { PageFacts } from './facts';
import { Kind } from './trace';

/*
 * Checks compare numbers that follow the viewport's width by these and nothing else: where a page is judged between measured
 * widths they note what was compared, and how near it was. Whole numbers that change only where something happens (lines of a
 * text, columns of a grid, words) may be compared as they are.
 */

/** Worked-out positions lie within this many px of what a browser measures. */
export const SLACK = 0.25;

/** The same of some facts of which it may be known better, px. */
export const slackOf = ({ doubt }: Pick<PageFacts, 'doubt'>): number =>
  doubt?.off ? Math.max(doubt.off.across, doubt.off.down) : SLACK;

/** So many times further where type grows, since browsers round how high it reaches. */
const SIZED = 5;

/** What is above a limit by less is at it: of numbers that are added up in another order the last digits differ. Browsers lay out in 1/64 px. */
const AS_ADDED = 1e-6;

function isAbove(facts: PageFacts, value: number, limit: number, slack: number, kind: number): boolean {
  const margin = value - limit - AS_ADDED;
  facts.trace?.add(margin, facts.doubt?.sized ? slack * SIZED : slack, kind);
  return margin > 0;
}

/** Whether a number is above a limit, both in px. */
export function exceeds(facts: PageFacts, value: number, limit: number): boolean {
  return isAbove(facts, value, limit, slackOf(facts), Kind.even);
}

/** The same where a number's own slack isn't a length: `slack` is how far off a worked-out one can be. */
export function exceedsBy(facts: PageFacts, value: number, limit: number, slack: number): boolean {
  return isAbove(facts, value, limit, slack, Kind.even);
}

/** The same for the product of two lengths, px²: a square, an area. */
export function areaExceeds(facts: PageFacts, value: number, limit: number, slack: number): boolean {
  return isAbove(facts, value, limit, slack, Kind.curved);
}

/** Whether a number that follows from the size of type is above a limit, px. */
export function typeExceeds(facts: PageFacts, value: number, limit: number): boolean {
  return exceedsBy(facts, value, limit, facts.doubt?.sized ? 0.01 : 0);
}

/** Only of two viewports that are compared it matters which way it went; asked thousands of times, even a call for nothing takes long. */
function turn({ trace }: PageFacts, margin: number, kind: number = Kind.turn): void {
  if (trace?.isCompared) trace.add(margin, 0, kind);
}

/** The smaller of two numbers. */
export function smaller(facts: PageFacts, a: number, b: number): number {
  turn(facts, a - b, Kind.pick);
  return a > b ? b : a;
}

/** The larger of two numbers. */
export function larger(facts: PageFacts, a: number, b: number): number {
  turn(facts, a - b, Kind.pick);
  return a > b ? a : b;
}

/** Whether two numbers are the same to the last digit, so that what was said of one needn't be asked of the other again; no verdict may hang on it. */
export function isSame(facts: PageFacts, a: number, b: number): boolean {
  turn(facts, a === b ? 1 : 0, Kind.same);
  return a === b;
}

/** Around all lines of some elements: of several that reach as far it doesn't matter which does. */
export function aroundLines(
  facts: PageFacts,
  elements: readonly number[],
): { left: number; top: number; right: number; bottom: number } {
  const { lines } = facts;
  const first = lines[elements[0]!]!;
  let left = first[0]!;
  let top = first[1]!;
  let right = first[2]!;
  let bottom = first[3]!;
  const isCompared = facts.trace?.isCompared ?? false;
  for (const element of elements) {
    const own = lines[element]!;
    for (let at = own === first ? 4 : 0; at < own.length; at += 4) {
      const [x, y, behind, below] = [own[at]!, own[at + 1]!, own[at + 2]!, own[at + 3]!];
      if (isCompared) for (const more of [left - x, top - y, right - behind, bottom - below]) turn(facts, more, Kind.pick);
      if (x < left) left = x;
      if (y < top) top = y;
      if (behind > right) right = behind;
      if (below > bottom) bottom = below;
    }
  }
  return { left, top, right, bottom };
}

/** By page, and how long a list is: the order of the last one, which is mostly that of the next, too. */
const lastOrders = new WeakMap<PageFacts['elements'], Map<number, readonly number[]>>();

/** Sorts places in a list. */
function sortedPlaces({ elements }: PageFacts, length: number, compare: (a: number, b: number) => number): readonly number[] {
  let orders = lastOrders.get(elements);
  if (!orders) lastOrders.set(elements, (orders = new Map()));
  const last = orders.get(length) ?? Array.from({ length }, (_, i) => i);
  let isSorted = true;
  for (let i = 1; i < length && isSorted; i++) isSorted = compare(last[i - 1]!, last[i]!) < 0;
  const order = isSorted ? last : last.toSorted(compare);
  orders.set(length, order);
  return order;
}

/** A list by numbers, the smallest first; equal ones by the next of them, then as they are. Where they change places, no verdict may hang on it. */
export function sortedBy<T>(facts: PageFacts, list: readonly T[], ...numbers: readonly ((one: T) => number)[]): T[] {
  const keys = numbers.map((number) => list.map(number));
  return orderBy(facts, list.length, ...keys).map((i) => list[i]!);
}

/** The order in which `sortedBy` puts a list of so many: which of it is first, which next. @param keys its numbers */
export function orderBy(facts: PageFacts, length: number, ...keys: readonly ArrayLike<number>[]): readonly number[] {
  const first = keys[0]!;
  const order = sortedPlaces(facts, length, (a, b) => {
    if (first[a] !== first[b]) return first[a]! - first[b]!;
    for (const key of keys) if (key[a] !== key[b]) return key[a]! - key[b]!;
    return a - b;
  });
  const { trace } = facts;
  // Neighbours that are in order say that all are, together with which they are.
  if (trace?.isCompared)
    order.forEach((one, i) => {
      trace.add(one, 0, Kind.same);
      const before = order[i - 1];
      if (before === undefined) return;
      for (const key of keys) {
        const more = key[one]! - key[before]!;
        trace.add(more, 0, Kind.turn);
        if (more !== 0) break;
      }
    });
  return order;
}

/** Whether a number is above another, where it is known exactly, or where only hangs on it which of several is named or tried first. */
export function isMore(facts: PageFacts, a: number, b: number): boolean {
  turn(facts, a - b);
  return a > b;
}

/** To be called with the elements of any fault that was found: one found with loose lines may be none. */
export function foundOn({ doubt, trace }: PageFacts, ...elements: readonly number[]): void {
  if (!doubt || !trace) return;
  for (const element of elements) if (doubt.loose[element]) return trace.add(0, 0, Kind.unknown);
}

/** The same where it goes by the boxes of elements: only of what stands in a line they aren't known. */
export function foundByBox({ doubt, trace, level }: PageFacts, ...elements: readonly number[]): void {
  if (!doubt || !trace) return;
  for (const element of elements)
    if (level[element] === Level.inline && doubt.loose[element]) return trace.add(0, 0, Kind.unknown);
}
