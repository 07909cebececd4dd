export * from './cause';
export * from './fixes';
export type * from './lines';
export * from './places';
export * from './proposals';
export * from './verdict';
