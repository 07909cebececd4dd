import type { At, Breakpoint } from './breakpoint';
import { BASE, takenBy } from './breakpoint';
import type { Condition } from './condition';
import { conditionInterval, holdsAt } from './condition';
import type { IntervalSet } from './interval';
import { ALL_WIDTHS, normalise, subtract } from './interval';
import type { Slice, Viewport } from './viewport';

/**
 * Something chosen for the base and perhaps otherwise at breakpoints: of those that hold the last in order decides, as with values
 * (CSS Cascade 5, 6.1), so at every viewport exactly one choice holds.
 */
export type Choice<T> = ReadonlyMap<At, T>;

/** A part of all viewports: where one condition holds, or everywhere, and none of others does. */
export interface Term {
  readonly when?: Condition | undefined;
  readonly unless: readonly Condition[];
}

export interface Step<T> {
  readonly condition?: Condition;
  readonly value: T;
}

/** Strongest first; the last, without a condition, is the base. What stands at breakpoints that are gone doesn't count. */
export function stepsOf<T>(breakpoints: readonly Breakpoint[], choice: Choice<T>, base: T): readonly Step<T>[] {
  const steps = breakpoints.flatMap(({ id, condition, also }): Step<T>[] => {
    const at = (also?.length ? takenBy(breakpoints, id) : [id]).findLast((one) => choice.has(one));
    return at === undefined ? [] : [{ condition, value: choice.get(at)! }];
  });
  return [...steps.reverse(), { value: choice.has(BASE) ? choice.get(BASE)! : base }];
}

/** What is chosen at a viewport. @param base what is chosen where nothing is said */
export function choiceAt<T>(breakpoints: readonly Breakpoint[], choice: Choice<T>, base: T, viewport: Viewport): T {
  return stepsOf(breakpoints, choice, base).find(({ condition }) => !condition || holdsAt(condition, viewport))!.value;
}

/** Where a choice is one that is wanted: all the viewports in any of these parts, and no others. */
export function termsWhere<T>(
  breakpoints: readonly Breakpoint[],
  choice: Choice<T>,
  base: T,
  isWanted: (value: T) => boolean,
): readonly Term[] {
  const steps = stepsOf(breakpoints, choice, base);
  const terms = steps.flatMap(({ condition, value }, i): Term[] => {
    if (!isWanted(value)) return [];
    const others = steps.slice(0, i).flatMap((one) => (isWanted(one.value) ? [] : one.condition!));
    // A stronger one that holds wherever this does leaves nothing of it.
    if (condition && others.some((one) => isWithin(condition, one))) return [];
    return [{ when: condition, unless: needed(others, condition) }];
  });
  return terms.filter((term, i) => !terms.some((other, j) => i !== j && covers(other, term) && (j > i || !covers(term, other))));
}

/** Of the conditions that may not hold those that make a difference. */
function needed(unless: readonly Condition[], when: Condition | undefined): readonly Condition[] {
  const apart = unless.filter((one) => !when || !areApart(one, when));
  return apart.filter((one, i) => !apart.some((other, j) => i !== j && isWithin(one, other) && (j > i || !isWithin(other, one))));
}

/** Whether one part surely holds another. */
const covers = (outer: Term, inner: Term): boolean =>
  (!outer.when || (inner.when !== undefined && isWithin(inner.when, outer.when))) &&
  outer.unless.every(
    (one) => inner.unless.some((other) => isWithin(one, other)) || (inner.when !== undefined && areApart(one, inner.when)),
  );

/** Edges in different units can't be compared: a reader may have another text size. */
const comparable = (a: Condition, b: Condition) => a.unit === b.unit;

/** Whether one condition surely holds wherever another does. */
function isWithin(inner: Condition, outer: Condition): boolean {
  if (outer.orientation && outer.orientation !== inner.orientation) return false;
  if (outer.pointer && outer.pointer !== inner.pointer) return false;
  const asksForSize = [outer.from, outer.below, outer.heightFrom, outer.heightBelow].some((edge) => edge !== undefined);
  if (!asksForSize) return true;
  return (
    comparable(inner, outer) &&
    (inner.from ?? 0) >= (outer.from ?? 0) &&
    (inner.below ?? Infinity) <= (outer.below ?? Infinity) &&
    (inner.heightFrom ?? 0) >= (outer.heightFrom ?? 0) &&
    (inner.heightBelow ?? Infinity) <= (outer.heightBelow ?? Infinity)
  );
}

/** Whether two conditions surely never hold at once. */
function areApart(a: Condition, b: Condition): boolean {
  if (a.orientation && b.orientation && a.orientation !== b.orientation) return true;
  if (a.pointer && b.pointer && a.pointer !== b.pointer) return true;
  if (!comparable(a, b)) return false;
  const miss = (below = Infinity, from = 0) => below <= from;
  return miss(a.below, b.from) || miss(b.below, a.from) || miss(a.heightBelow, b.heightFrom) || miss(b.heightBelow, a.heightFrom);
}

export const holdsIn = ({ when, unless }: Term, viewport: Viewport): boolean =>
  (!when || holdsAt(when, viewport)) && !unless.some((one) => holdsAt(one, viewport));

/** The widths of a part at one height and for one reader. */
export const widthsOf = ({ when, unless }: Term, slice: Slice): IntervalSet =>
  subtract(
    when ? normalise([conditionInterval(when, slice)]) : ALL_WIDTHS,
    unless.map((one) => conditionInterval(one, slice)),
  );
