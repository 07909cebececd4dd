export { compareSpecificity } from './selector';
export type { SelectorNode, Specificity } from './selector';
export { readSheet } from './sheet';
export type { SheetRule } from './sheet';
