import type { Edge } from '@/core/breakpoints';
import { WIDTH_MIN } from '../state/store';

/** Px. Posts stay within what a breakpoint can be. */
const MOST = 9_999;

/** The edge that puts a breakpoint's shown width at `width`. */
export function edgeFor(side: Edge['side'], width: number): number {
  const whole = Math.round(Math.max(WIDTH_MIN, Math.min(MOST, width)));
  return side === 'below' ? whole + 1 : whole;
}
