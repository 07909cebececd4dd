export { ALTERNATES_SCRIPT } from './alternates-script';
export { behaviourOf, isBuiltLater } from './behaviour';
export { PANELS_SCRIPT } from './panels-script';
export { isRehearsed, judged, rehearsalInWords, rehearsed } from './rehearsal';
export type { Rehearsal, Told } from './rehearsal';
