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

/**
 * The first px beyond the next edge of the map's parts, to either side, or the end of the map.
 * @param sign 1 for wider or higher, -1 for narrower or lower
 */
export function edgeBeyond(patches: readonly Patch[], side: 'widths' | 'heights', now: number, sign: number): number {
  const { from, below } = PLANE[side === 'widths' ? 'width' : 'height'];
  const edges = patches.map((patch) => Math.ceil(patch[side].from));
  const [ahead, behind] = [edges.filter((edge) => edge > now), edges.filter((edge) => edge <= now)];
  if (sign > 0) return Math.min(...ahead, below - 1);
  // From the first px of a part to the last of the one before.
  return Math.max(from, Math.max(...behind) - 1);
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
