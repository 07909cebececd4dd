export { LINTS } from './lint';
export type { LintFinding } from './lint';
export { hardlyDiffers } from './neighbours';
export { dropFindings, lintProject } from './lint-project';
export type { Dropped } from './lint-project';
