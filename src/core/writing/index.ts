export { piecesSchema } from './pieces-schema';
export { piecesIn, planContent, planJoin, planSplit } from './plans';
