export { cutAt, lengthOfAll, marked, marksOf, replaced, unmarked } from './marks';
export { leavesOf, piecesOf } from './pieces';
export type { Leaf, Mark, Piece } from './pieces';
export { MARK_TAGS, nextTag, SPLIT_TAGS } from './tags';
