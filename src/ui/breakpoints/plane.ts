import type { At, Band, BreakpointSet, Interval, Slice } from '@/core/breakpoints';
import { BASE, bandsOf } from '@/core/breakpoints';

/** Px. What the map of the plane shows. */
export const PLANE = { width: { from: 240, below: 2560 }, height: { from: 240, below: 1600 } } as const;

/** A piece of the plane in which the same breakpoint wins. */
export interface Patch {
  readonly widths: Interval;
  readonly heights: Interval;
  readonly band: Band;
  /** The strongest that holds. */
  readonly winner: At;
}

const FINE = 10;

export const winnerOf = ({ holds }: Band): At => holds[holds.length - 1] ?? BASE;

/** Heights at which the bands can change: edges, and with an orientation a step every few px along its slope. */
function rowsOf(set: BreakpointSet): number[] {
  const { from, below } = PLANE.height;
  const edges = set.breakpoints.flatMap(({ condition }) => [condition.heightFrom, condition.heightBelow]);
  const slope = set.breakpoints.some(({ condition }) => condition.orientation)
    ? Array.from({ length: (below - from) / FINE }, (_, i) => from + i * FINE)
    : [];
  const inside = [from, ...edges, ...slope].filter((edge): edge is number => edge !== undefined && edge >= from && edge < below);
  return [...new Set(inside)].sort((a, b) => a - b);
}

/** The map as patches, row by row; the same pointer everywhere. */
export function patchesOf(set: BreakpointSet, pointer: Slice['pointer']): Patch[] {
  const rows = rowsOf(set);
  return rows.flatMap((height, i) => {
    const heights = { from: height, below: rows[i + 1] ?? PLANE.height.below };
    return bandsOf(set, { height, pointer }).flatMap((band): Patch[] => {
      const widths = { from: Math.max(band.from, PLANE.width.from), below: Math.min(band.below, PLANE.width.below) };
      return widths.from < widths.below ? [{ widths, heights, band, winner: winnerOf(band) }] : [];
    });
  });
}

/** Where the number of each part of the map stands: in the middle of its patches, where there is most room. */
export function labelsOf(patches: readonly Patch[]): readonly Patch[] {
  const parts = new Map<string, Patch[]>();
  for (const patch of patches) {
    const part = patch.band.holds.join();
    parts.set(part, [...(parts.get(part) ?? []), patch]);
  }
  const size = ({ widths, heights }: Patch) => Math.log(widths.below / widths.from) * Math.log(heights.below / heights.from);
  return [...parts.values()].map((part) => {
    const most = Math.max(...part.map(size));
    // Of the rows along a slope many are about as large; the middle one of those lies well inside.
    const large = part.filter((patch) => size(patch) > most * 0.8);
    return large[Math.floor(large.length / 2)]!;
  });
}
