export * from './sources';
export * from './resolve';
export * from './lanes';
export * from './reach';
export * from './computed';
export { FOUNDATION } from './browser-defaults';
export * from './contrast';
