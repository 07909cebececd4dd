export { between } from './between';
export { disagreement } from './disagreement';
export { stretchesOf } from './stretches';
export { textParts } from './text-runs';
export { Typesetter } from '../typeset/typesetter';
