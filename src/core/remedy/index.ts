export * from './cause';
export * from './fixes';
export * from './places';
export * from './proposals';
export * from './verdict';
