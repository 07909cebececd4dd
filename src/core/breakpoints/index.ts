export * from './interval';
export * from './viewport';
export * from './condition';
export * from './breakpoint';
export * from './bands';
export * from './cells';
export * from './ready-sets';
export * from './set-checks';
