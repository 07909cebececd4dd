export { compareSpecificity } from './selector';
export type { SelectorNode, Specificity } from './selector';
export { readSheet } from './sheet';
export { readWholeSheet } from './whole-sheet';
export type { WholeRule } from './whole-sheet';
export type { SheetRule } from './sheet';
