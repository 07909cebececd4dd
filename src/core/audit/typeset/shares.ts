import { PLAIN_DENOMINATORS } from '../codes';
import type { PageFacts } from '../facts';

/*
 * A box that follows the window by a share of it ends at a whole number of 1/64 px at every width: so browsers round it, and every box in it again.
 * They do so in the same way each time the window is wider by a number of px of which all shares are whole numbers of 1/64 px.
 */

/** Both ends of what is measured may be rounded, px. */
const ROUNDED = 1 / 16;
/** After so many px at most everything is rounded as before; for more, too many widths would have to be measured. */
const PERIOD_MOST = 15;
/** Between measured widths that are nearer to each other, px, shares of shares can't be told apart. */
const SPAN_LEAST = 40;
/** What browsers say of whole numbers of 1/64 px is exact. */
const SAME = 1e-6;

/** A number without its factors of two: halves, quarters and so on are whole numbers of 1/64 px. */
const oddOf = (denominator: number): number => (denominator % 2 === 0 ? oddOf(denominator / 2) : denominator);
const commonDivisor = (a: number, b: number): number => (b === 0 ? a : commonDivisor(b, a % b));

/** The share of a window's px by which something grows; undefined where it isn't a plain one. */
function shareOf(grown: number, span: number): { readonly share: number; readonly odd: number } | undefined {
  for (const denominator of PLAIN_DENOMINATORS) {
    const count = Math.round((grown * denominator) / span);
    if (Math.abs(grown - (count * span) / denominator) <= ROUNDED) return { share: count / denominator, odd: oddOf(denominator) };
  }
  return undefined;
}

/** Where boxes end at widths between measured ones, to the very 1/64 px. */
export class Shares {
  /** By side of a box, four an element: its share; NaN where it isn't known or isn't as measured. */
  readonly #share: Float64Array;
  readonly #period: number;
  readonly #widths: readonly number[];
  /** By remainder: the measured widths. */
  readonly #like: PageFacts[][];

  /** @param measured of neighbouring widths between which everything moves evenly, ascending; at least both ends */
  constructor(measured: readonly PageFacts[]) {
    const [first, last] = [measured[0]!, measured[measured.length - 1]!];
    const span = last.viewport.width - first.viewport.width;
    this.#widths = measured.map(({ viewport }) => viewport.width);
    this.#share = new Float64Array(first.boxes.length).fill(NaN);
    let period = 1;
    if (span >= SPAN_LEAST)
      for (let i = 0; i < first.elements.length; i++)
        for (let side = i * 4; side < i * 4 + 4; side += 2) {
          const one = shareOf(last.boxes[side]! - first.boxes[side]!, span);
          if (!one) continue;
          this.#share[side] = one.share;
          if (period <= PERIOD_MOST) period *= one.odd / commonDivisor(period, one.odd);
        }
    this.#period = period;
    this.#like = Array.from({ length: period <= PERIOD_MOST ? period : 0 }, () => []);
    if (this.#like.length > 0) for (const facts of measured) this.#like[facts.viewport.width % period]!.push(facts);
    const isPaired = this.#isPaired;
    for (let i = 0; i < first.elements.length; i++) {
      const { parent } = first.elements[i]!;
      const isKnown = isPaired && (parent < 0 || !Number.isNaN(this.#share[parent * 4]! + this.#share[parent * 4 + 2]!));
      for (let side = i * 4; side < i * 4 + 4; side += 2) if (!isKnown || !this.#isAsMeasured(side)) this.#share[side] = NaN;
    }
  }

  /** Whether two of the measured widths, far from each other, are rounded alike: to say whether it is so. */
  get #isPaired(): boolean {
    const [first, last] = [this.#widths[0]!, this.#widths[this.#widths.length - 1]!];
    return this.#like.some(
      (list) => 2 * (list[list.length - 1]?.viewport.width ?? 0) - 2 * (list[0]?.viewport.width ?? 0) >= last - first,
    );
  }

  /** Whether widths at which everything is rounded alike differ by the share, exactly. */
  #isAsMeasured(side: number): boolean {
    const share = this.#share[side]!;
    const off = (a: PageFacts, b: PageFacts) =>
      Math.abs(b.boxes[side]! - a.boxes[side]! - share * (b.viewport.width - a.viewport.width));
    return this.#like.every((list) => list.every((one) => off(list[0]!, one) < SAME));
  }

  /** Where a side of a box is, px; undefined where it isn't known to the very 1/64 px. @param side four an element, the left of which is 0 */
  at(side: number, width: number): number | undefined {
    const near = this.#like[width % this.#period]?.[0];
    const share = this.#share[side]!;
    return near && share === share ? near.boxes[side]! + share * (width - near.viewport.width) : undefined;
  }

  /** A width that has to be measured before more is known; undefined where nothing is to be learned. */
  get lacks(): number | undefined {
    const [first, last] = [this.#widths[0]!, this.#widths[this.#widths.length - 1]!];
    const near = this.#widths[1]!;
    const isLike = (width: number) => (this.#like[width % this.#period]?.length ?? 1) > 0;
    for (let width = near + 1; width < last; width++) if (!isLike(width)) return width;
    for (let width = near - 1; width > first; width--) if (!isLike(width)) return width;
    const pair = last - ((last - first) % this.#period);
    return this.#like.length === 0 || this.#isPaired || pair <= first ? undefined : pair;
  }
}
