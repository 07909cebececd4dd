export { fitZoom, packFrames } from './pack';
export { keepIn } from './keep-in';
export { changeInWords, crossingBetween } from './crossing';
export type { Crossing, ElementChange, PageBox } from './crossing';
export { cutInWords, nextWhole } from './whole';
export type { Whole } from './whole';
export { layLineupSheet } from './sheet';
export type { SheetFrame } from './sheet';
export type { Shot } from './shot';
