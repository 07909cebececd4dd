import type { Band } from '../breakpoints/bands';
import { bandAt } from '../breakpoints/bands';
import type { BreakpointSet } from '../breakpoints/bands';
import type { Viewport } from '../breakpoints/viewport';

/** The narrowest width that is looked at where a band has no beginning of its own, CSS px. */
const NARROWEST = 320;

export interface KeepIn {
  readonly band: Band;
  /** The width that every viewport of the band has, CSS px. */
  readonly width: number;
  /** The height that all devices looked at in the band have, CSS px; undefined where there is only one. */
  readonly height: number | undefined;
}

/** The room that all widths of a viewport's band share, and all devices that are looked at in it. */
export function keepIn(set: BreakpointSet, viewport: Viewport, others: readonly Viewport[]): KeepIn {
  const band = bandAt(set, viewport.width, viewport);
  const inside = [viewport, ...others.filter(({ width }) => band.from <= width && width < band.below)];
  const heights = inside.map(({ height }) => height);
  const least = Math.min(...inside.map(({ width }) => width));
  return {
    band,
    width: Math.ceil(band.from > 0 ? band.from : Math.min(NARROWEST, least)),
    height: new Set(heights).size > 1 ? Math.min(...heights) : undefined,
  };
}
