export { PALETTE, sketched } from './palette';
export type { PaletteEntry } from './palette';
export { alike, found, mayStand, placeFor, topmost } from './place';
export type { Spot } from './place';
export { clipOf, fitClip, readClip } from './clip';
export type { Clip } from './clip';
export { groupName } from './group-name';
export { columnAt, dropAt, framedBy } from './drop';
export type { Drop, Rect, Survey, Surveyed } from './drop';
