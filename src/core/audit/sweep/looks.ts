/** Shares of what lies between two widths in which it is looked: neither in its middle nor at places that mirror. */
const LOOKS = [
  [0.4, 0.48],
  [0.7, 0.84],
] as const;
/** A look nearer to an end, or to another, than this share says little. */
const APART = 0.15;

/** Where to look, as shares: by chance, so that nothing always lies between the looks. @param random from 0 to below 1 */
export const looksBy = (random: () => number): number[] => LOOKS.map(([from, to]) => from + (to - from) * random());

/** How much those of some widths, ascending, that lie between two others show of what is there: as much as so many looks. */
export function shownBy(widths: readonly number[], from: number, to: number): number {
  const apart = Math.max(1, (to - from) * APART);
  let [count, last] = [0, from];
  for (const width of widths) {
    if (width - last < apart || to - width < apart) continue;
    count++;
    last = width;
  }
  return count;
}

/** Neighbours among what was measured, both ends too, aren't further apart than this share of all. */
const WIDEST = 0.6;
/** Of what strays by a bend, wherever it is, so much at least shows at one of the looks then. */
export const SEEN = 1 - WIDEST;

/** Where nothing was looked at for too long: a width in there; undefined where that isn't so. @param widths what was measured between two others, ascending */
export function unseenIn(widths: readonly number[], from: number, to: number, random: () => number): number | undefined {
  const all = [from, ...widths, to];
  // In the middle of two px half of it shows beside.
  const most = Math.max(2, (to - from) * WIDEST);
  const at = all.findIndex((width, i) => i > 0 && width - all[i - 1]! > most);
  if (at < 0) return undefined;
  const gap = all[at]! - all[at - 1]!;
  return all[at - 1]! + Math.round(gap * (WIDEST - (2 * WIDEST - 1) * random()));
}
