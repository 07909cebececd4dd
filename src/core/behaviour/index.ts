export { ALTERNATES_SCRIPT } from './alternates-script';
export { behaviourOf, isBuiltLater } from './behaviour';
export { PANELS_SCRIPT } from './panels-script';
