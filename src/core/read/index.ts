export * from './media';
export * from './selector';
export * from './sheet';
