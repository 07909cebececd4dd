import type { IntervalSet } from '../../breakpoints/interval';
import { integersIn } from '../../breakpoints/interval';
import { SWEEP_RANGE } from './ledger';

/** How many widths are measured between two reports: small enough to show progress, large enough not to cost. */
export const CHUNK = 64;

/**
 * The widths to measure, in chunks. The chunk around `near` comes first, so that what the person looks at is decided
 * first; then the others by their distance from it. Inside a chunk widths ascend, which is cheapest for a browser.
 */
export function planSweep(widths: readonly number[], near: number): number[][] {
  const chunks: number[][] = [];
  for (let at = 0; at < widths.length; at += CHUNK) chunks.push(widths.slice(at, at + CHUNK));
  const distance = (chunk: readonly number[]) => Math.max(chunk[0]! - near, near - chunk[chunk.length - 1]!, 0);
  return chunks.sort((a, b) => distance(a) - distance(b));
}

/** The whole widths that an edit's footprint touches. */
export function widthsToMeasure(footprint: IntervalSet): number[] {
  return integersIn(footprint, SWEEP_RANGE);
}
