export * from './sheet';
export * from './markup';
export * from './fonts';
export * from './export';
export * from './preview';
export * from './restyled';
export * from './stand-in';
export * from './seen';
