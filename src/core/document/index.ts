export * from './html';
export * from './element';
export * from './project';
export * from './tree';
export * from './migrate';
export * from './new-project';
export * from './kinds';
export * from './class-names';
