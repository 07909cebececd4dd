export * from './edit';
export * from './footprint';
export * from './registry';
export * from './history';
export { describeTarget } from './set-style';
export { allOwners, carriersOf, ownerName, overridesUnder, stylesOf } from './owners';
