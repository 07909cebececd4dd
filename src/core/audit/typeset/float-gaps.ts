/** Places that differ by no more, px, are the same. */
export const SAME = 0.1;

/** Boxes that float (CSS 2.2, 9.5), in the order of the document, and what has to do with them. Lengths in px. */
export interface Floats {
  readonly element: Int32Array;
  readonly parent: Int32Array;
  /** Which of what stands in its parent, one below the other, it lies before; -1 where it is among words and moves with all of them. */
  readonly before: Int32Array;
  /** One of `Floating`. */
  readonly side: Uint8Array;
  /** Margins; those that pull it aside are taken for none. */
  readonly top: Float64Array;
  readonly bottom: Float64Array;
  readonly left: Float64Array;
  readonly right: Float64Array;
  /** By element: the one in whose block formatting context it stands, and in whose stands what is in it. */
  readonly within: Int32Array;
  readonly context: Int32Array;
  /** By element: the sides of which floats lie above it. */
  readonly clears: Uint8Array;
  /** By element: 1 where it reaches below the floats in it. */
  readonly holds: Uint8Array;
  /** By element: margins above one that clears, and at the end of one that holds, at most; NaN where they aren't known. */
  readonly above: Float64Array;
  readonly margin: Float64Array;
  /** By element: from the floats that it holds to its lower end. */
  readonly end: Float64Array;
}

/** Where floats lie, at one measured viewport. */
export interface FloatGaps {
  /** From what it lies below down to its upper edge, px. */
  readonly gap: Float64Array;
  /** The float that it lies below since there is no room beside it; -1 where it is just below what stands before it. */
  readonly under: Int32Array;
}

/** Whether an element is rendered. */
export const isShown = (boxes: Float64Array, i: number): boolean =>
  boxes[i * 4] !== 0 || boxes[i * 4 + 1] !== 0 || boxes[i * 4 + 2] !== 0 || boxes[i * 4 + 3] !== 0;

/** @param cursors by float where what stands before it ends */
export function floatGapsIn(floats: Floats, boxes: Float64Array, cursors: Float64Array): FloatGaps {
  const under = Int32Array.from(floats.element, (element, f) => {
    const top = boxes[element * 4 + 1]! - floats.top[f]!;
    for (let g = f - 1; g >= 0; g--) {
      const above = floats.element[g]!;
      if (floats.within[above] !== floats.within[element] || !isShown(boxes, above)) continue;
      if (Math.abs(boxes[above * 4 + 3]! + floats.bottom[g]! - top) < SAME && top > cursors[f]! + SAME) return g;
    }
    return -1;
  });
  const from = (f: number) => (under[f]! >= 0 ? boxes[floats.element[under[f]!]! * 4 + 3]! : cursors[f]!);
  return { gap: Float64Array.from(floats.element, (element, f) => boxes[element * 4 + 1]! - from(f)), under };
}
