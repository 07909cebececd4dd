export * from './columns';
export * from './placement';
export * from './spans';
