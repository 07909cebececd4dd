export { conditionsOf, heldWidths } from './sources';
export type { Candidate } from './sources';
export { isHiddenAt, resolve, specifiedValue } from './resolve';
export type { Resolution } from './resolve';
export { carriageIn, laneFor, laneNames, lanesFor } from './lanes';
export type { Carriage, Lane, Stretch } from './lanes';
export { targetWidths, writeReach } from './reach';
export { ComputedStyles } from './computed';
export { statedContrast } from './contrast';
