export { addMissing } from './add-missing';
export type { Completed } from './add-missing';
export { bringIn, bringInEdit, bringInSteps } from './bring-in';
export type { BringInWish, BroughtIn, PackageFile } from './bring-in';
export { handedBack } from './handed-files';
export type { HandedFile } from './handed-files';
export { NotHandedBack } from './hand-back';
export { PACKAGE_LIMITS, readZip, UnreadablePackage } from './unzip';
