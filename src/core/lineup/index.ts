export * from './pack';
export * from './keep-in';
export * from './crossing';
export * from './whole';
export * from './sheet';
export type { Shot } from './shot';
