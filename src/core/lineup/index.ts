export { fitZoom, packFrames } from './pack';
export { keepIn } from './keep-in';
export { changeInWords, crossingBetween } from './crossing';
export type { Crossing, ElementChange, PageBox } from './crossing';
export { cutInWords, nextWhole } from './whole';
export type { Whole } from './whole';
export { layLineupSheet } from './picture-sheet';
export type { SheetFrame } from './picture-sheet';
export type { Shot } from './shot';
