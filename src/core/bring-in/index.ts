export { bringIn, bringInEdit } from './bring-in';
export type { BringInWish, BroughtIn, PackageFile } from './bring-in';
export { REASONS } from './left-out';
export type { LeftOut, Reason } from './left-out';
export { decodeHtml } from './decode';
