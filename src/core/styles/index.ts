export * from './properties';
export * from './shorthands';
export * from './value';
export * from './length';
export * from './colour';
export * from './custom';
