import type { Check } from '../check';
import { clippedContent } from './clipped-content';
import { outsideViewport } from './outside-viewport';
import { overlappingText } from './overlapping-text';
import { sidewaysScroll } from './sideways-scroll';
import { smallText } from './small-text';
import { wrappedLabel } from './wrapped-label';

export const CHECKS: readonly Check[] = [
  sidewaysScroll,
  outsideViewport,
  clippedContent,
  overlappingText,
  wrappedLabel,
  smallText,
];

const byId = new Map(CHECKS.map((check) => [check.id, check]));

export function checkNamed(id: string): Check | undefined {
  return byId.get(id);
}
