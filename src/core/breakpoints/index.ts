export * from './interval';
export * from './condition';
export * from './breakpoint';
export * from './bands';
