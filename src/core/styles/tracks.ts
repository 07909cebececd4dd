import { splitOutside } from './lists';

/** `minmax(0, 1fr)`: a share of the room that its content can't make wider. */
export const EVEN_TRACK = 'minmax(0, 1fr)';

/**
 * The tracks of a grid template, one entry each; `repeat(3, …)` is written out, `repeat(auto-fill, …)` stays one entry.
 * Undefined where lines are named or the tracks are a parent's (`subgrid`).
 */
export function readTracks(value: string): string[] | undefined {
  if (/^none$/i.test(value.trim())) return [];
  if (/[[\]]|subgrid|masonry/i.test(value)) return undefined;
  return splitOutside(value, ' ').flatMap((part) => {
    const match = /^repeat\(\s*(\d+)\s*,\s*(.+)\)$/is.exec(part);
    if (!match) return [part];
    const inner = splitOutside(match[2]!, ' ');
    return Array.from({ length: Math.min(200, Number(match[1])) }, () => inner).flat();
  });
}

/** Tracks as a grid template, the shortest way: runs of the same one are repeated. */
export function writeTracks(tracks: readonly string[]): string {
  if (tracks.length === 0) return 'none';
  const runs: { track: string; count: number }[] = [];
  for (const track of tracks) {
    const last = runs[runs.length - 1];
    if (last?.track === track) last.count++;
    else runs.push({ track, count: 1 });
  }
  return runs
    .map(({ track, count }) =>
      count === 1 || /^repeat\(/i.test(track) ? Array<string>(count).fill(track).join(' ') : `repeat(${count}, ${track})`,
    )
    .join(' ');
}

/** How many columns a template makes for certain; undefined where that depends on the room (auto-fill) or isn't told. */
export function trackCount(value: string): number | undefined {
  const tracks = readTracks(value);
  return tracks && !tracks.some((track) => /^repeat\(/i.test(track)) ? tracks.length : undefined;
}
