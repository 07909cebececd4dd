import { Laying } from '../codes';
import type { Between } from './stack';

/** Both sides of a box that follows the window by a share are rounded to 1/64 px, again in every box in another that does. */
export const ROUNDED = 1 / 32;

/** How often boxes are rounded between two measured viewports. */
export class Roundings {
  readonly #known = new Map<number, number>();

  constructor(private readonly pair: Pick<Between, 'a' | 'b'>) {}

  /** In how many boxes in each other, down to this one, sides are rounded that move by a share of the window. */
  in(box: number): number {
    const known = this.#known.get(box);
    if (known !== undefined) return known;
    const [a, b] = [this.pair.a.facts, this.pair.b.facts];
    const span = b.viewport.width - a.viewport.width;
    const moves = (i: number, side: number) => b.boxes[i * 4 + side]! - a.boxes[i * 4 + side]!;
    let count = 0;
    for (let at = box; at >= 0; at = a.elements[at]!.parent) {
      const { parent } = a.elements[at]!;
      const isOwn = [0, 2].some((side) => {
        const by = moves(at, side);
        const isWhole = by === 0 || by === span;
        return !isWhole && !(parent >= 0 && [0, 2].some((other) => moves(parent, other) === by));
      });
      // Items of rows and grids begin where the rounded ones before them end.
      if (isOwn) count += parent >= 0 && a.flow[parent] !== Laying.other ? 2 : 1;
    }
    this.#known.set(box, count);
    return count;
  }
}
