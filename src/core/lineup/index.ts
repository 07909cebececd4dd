export * from './pack';
export * from './keep-in';
export * from './crossing';
