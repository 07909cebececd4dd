/** Of what is worked out at least this share is measured too, to see whether it is so. */
const SPOT_CHECKED = 0.02;
/** At least this share of it just for that; where it was looked anyway, that counts as well. */
const SPOT_CHECKED_ALONE = 0.01;

/** Which widths are measured only to be compared. */
export class Spots {
  /** How likely it is that a width is. */
  #share = SPOT_CHECKED;

  /**
   * @param known by width what was measured
   * @param random from 0 to below 1
   */
  constructor(
    private readonly known: ReadonlyMap<number, unknown>,
    private readonly random: () => number,
  ) {}

  /** Says how many of the widths between two are to be compared besides those that were looked at. */
  draw(from: number, to: number): void {
    let looks = 0;
    for (const width of this.known.keys()) if (width > from && width < to) looks++;
    this.#share = Math.max(SPOT_CHECKED_ALONE, SPOT_CHECKED - looks / (to - from + 1));
  }

  /** Whether what is worked out of a width is to be compared with it. */
  has(width: number): boolean {
    return this.known.has(width) || this.random() < this.#share;
  }
}
