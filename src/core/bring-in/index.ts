export { bringIn, bringInEdit, bringInSteps } from './bring-in';
export type { BringInWish, BroughtIn, PackageFile } from './bring-in';
export { PACKAGE_LIMITS, readZip, UnreadablePackage } from './unzip';
