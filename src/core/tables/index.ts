export { readRows, UnreadableRows } from './read-rows';
export type { ReadRows } from './read-rows';
export { samplesOf } from './samples';
export { tableOfRows, takeRows } from './take-rows';
export { rowsAsCsv } from './write-rows';
export { foundIn, hasSamples, sampleInWords, sampleKey, sampleNamed, samplesOn, withSample } from './with-sample';
export type { Sample } from './with-sample';
