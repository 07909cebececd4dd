export { INPUT_TYPES, isFile, isLink, picturesShown, whyNotAttribute } from './attributes';
export { holdsElements, HTML_TAGS, isKnown, ruleOf } from './elements';
export { whyNotConforming, whyNoWordsIn } from './model';
export { whyNotKept, whyNoText } from './parser';
export { surroundings } from './surroundings';
export type { Surroundings } from './surroundings';
