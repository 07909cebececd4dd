export { ALL_WIDTHS, contains, fromIntegers, integersIn, intersect, normalise, subtract, union } from './interval';
export type { Interval, IntervalSet } from './interval';
export { DEFAULT_SLICE, MOTIONS, POINTERS, SCHEMES, wholeReader } from './viewport';
export type { Held, Motion, Pointer, Scheme, Slice, Told, Viewport } from './viewport';
export {
  conditionAt,
  conditionInterval,
  conditionQuery,
  QUERY_SYNTAXES,
  describeCondition,
  EDGE_MAX,
  edgeMeant,
  edgesOf,
  EM,
  holdsAt,
  isWidthOnly,
  sameCondition,
  shownEdge,
} from './condition';
export type { Condition, Edge } from './condition';
export { BASE, breakpointSchema, defaultOrder, hasCycle, inDefaultOrder, placed, takenBy, withoutBreakpoint } from './breakpoint';
export type { At, Breakpoint } from './breakpoint';
export { bandAt, bandsOf, describeInterval } from './bands';
export { breakpointName } from './name';
export type { Band, BreakpointSet } from './bands';
export { choiceAt, termsWhere } from './choice';
export type { Choice, Term } from './choice';
export { cellsOf, cutsAcross, slicesOf } from './cells';
export type { Cell } from './cells';
export { READY_SETS } from './ready-sets';
export type { ReadySet } from './ready-sets';
export { checkSet, defaultIndex } from './set-checks';
export type { Mend } from './set-checks';
