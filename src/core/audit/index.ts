export * from './facts';
export * from './check';
export * from './checks';
export * from './sweep/ledger';
export * from './sweep/plan';
