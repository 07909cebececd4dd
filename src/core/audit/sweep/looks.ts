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
