export * from './resolve';
export * from './lanes';
export * from './computed';
export { FOUNDATION } from './browser-defaults';
