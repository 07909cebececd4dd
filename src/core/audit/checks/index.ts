import type { Check } from '../check';
import { headingLine, lostContent, sidewaysHint, unreachedPane } from './arrangements';
import { blockedZoom } from './blocked-zoom';
import { brokenWords } from './broken-words';
import { clippedContent } from './clipped-content';
import { contrast } from './contrast';
import { coveredFocus } from './covered-focus';
import { dropWidth } from './drop-width';
import { droppedItem } from './dropped-item';
import { emptyScreen } from './empty-screen';
import { faintFocus } from './faint-focus';
import { fieldZoom } from './field-zoom';
import { fingerTarget } from './finger-target';
import { firstBelow } from './first-below';
import { fixedHeight } from './fixed-height';
import { focusOrder } from './focus-order';
import { growingType } from './growing-type';
import { focused, pointed, pressed } from './in-state';
import { longLines } from './long-lines';
import { narrowContent } from './narrow-content';
import { notJustOne } from './not-just-one';
import { cutPanel, loosePage, opened, stuckPanel } from './open-panels';
import { orientationLock } from './orientation-lock';
import { outsideViewport } from './outside-viewport';
import { overlappingBoxes } from './overlapping-boxes';
import { overlappingText } from './overlapping-text';
import { blurredPicture, hiddenWeight, oversizedPicture } from './picture-sizes';
import { raggedRow } from './ragged-row';
import { readingOrder } from './reading-order';
import { rowOverFull } from './row-over-full';
import { shutPanel } from './shut-panel';
import { sidewaysScroll } from './sideways-scroll';
import { smallTarget } from './small-target';
import { smallText } from './small-text';
import { squeezedText } from './squeezed-text';
import { tallBars } from './tall-bars';
import { tightGrid } from './tight-grid';
import { largeText, reflow, spacedText } from './under-stress';
import { unequalItems } from './unequal-items';
import { unknownContrast } from './unknown-contrast';
import { unseenFocus } from './unseen-focus';
import { wrappedLabel } from './wrapped-label';

export const CHECKS: readonly Check[] = [
  sidewaysScroll,
  outsideViewport,
  clippedContent,
  overlappingText,
  overlappingBoxes,
  contrast,
  blockedZoom,
  unseenFocus,
  notJustOne,
  unreachedPane,
  lostContent,
  shutPanel,
  stuckPanel,
  cutPanel,
  firstBelow,
  reflow,
  orientationLock,
  largeText,
  spacedText,
  wrappedLabel,
  squeezedText,
  brokenWords,
  droppedItem,
  dropWidth,
  headingLine,
  sidewaysHint,
  fixedHeight,
  rowOverFull,
  smallTarget,
  fieldZoom,
  coveredFocus,
  tallBars,
  pointed,
  focused,
  pressed,
  opened,
  loosePage,
  faintFocus,
  readingOrder,
  focusOrder,
  blurredPicture,
  hiddenWeight,
  growingType,
  longLines,
  smallText,
  fingerTarget,
  raggedRow,
  unequalItems,
  tightGrid,
  emptyScreen,
  narrowContent,
  oversizedPicture,
  unknownContrast,
];

const byId = new Map(CHECKS.map((check) => [check.id, check]));

export function checkNamed(id: string): Check | undefined {
  return byId.get(id);
}
