export * from './facts';
export * from './check';
export * from './judge';
export * from './asked';
export * from './profile';
export * from './checks';
export * from './sweep/ledger';
export * from './sweep/exact';
