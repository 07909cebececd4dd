export * from './edit';
export * from './footprint';
export * from './registry';
export * from './history';
export { overridesUnder } from './owners';
export { describeTarget } from './set-style';
