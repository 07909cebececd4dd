export { FETCHING, INPUT_TYPES, isFile, isLink, picturesShown, whyNotAttribute, whyNotKeptAttribute } from './attributes';
export { holdsElements, HTML_TAGS, isInert, isKnown, ruleOf } from './elements';
export { whyNotConforming, whyNoWordsIn } from './model';
export { whyNotKept, whyNotKeptText, whyNoText } from './parser';
export { QUIRKS, surroundings } from './surroundings';
export type { Surroundings } from './surroundings';
