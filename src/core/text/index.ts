export { MALFORMED, malformedAt } from './well-formed';
export { listOf } from './list-of';
export { nameSchema } from './name';
export { sameJson } from './same-json';
export { plural } from './plural';
export { listed } from './listed';
export { bytesInWords } from './bytes';
