export * from './device';
export * from './device-set';
export * from './catalogue';
export * from './table';
