export * from './palette';
export * from './place';
export * from './clip';
export * from './group-name';
export * from './parent-dependence';
export * from './drop';
