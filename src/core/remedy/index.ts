export { causesOf } from './cause';
export { fixesFor } from './fixes';
export type { Fix } from './fixes';
export type { FixLine, TriedFix } from './lines';
export { placesFor } from './places';
export { proposedBreakpoints } from './proposals';
export { byWorth, isSafe, verdictOn, widthsToTry } from './verdict';
