import type { Check } from '../check';
import { clippedContent } from './clipped-content';
import { fixedHeight } from './fixed-height';
import { outsideViewport } from './outside-viewport';
import { overlappingText } from './overlapping-text';
import { rowOverFull } from './row-over-full';
import { sidewaysScroll } from './sideways-scroll';
import { smallText } from './small-text';
import { tightGrid } from './tight-grid';
import { unequalItems } from './unequal-items';
import { wrappedLabel } from './wrapped-label';

export const CHECKS: readonly Check[] = [
  sidewaysScroll,
  outsideViewport,
  clippedContent,
  overlappingText,
  wrappedLabel,
  smallText,
  fixedHeight,
  rowOverFull,
  unequalItems,
  tightGrid,
];

const byId = new Map(CHECKS.map((check) => [check.id, check]));

export function checkNamed(id: string): Check | undefined {
  return byId.get(id);
}
