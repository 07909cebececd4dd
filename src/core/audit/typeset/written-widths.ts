/** A length as it is written: a share of the room, and px. */
export interface Written {
  /** Per cent of the room. */
  readonly share: number;
  readonly px: number;
}

/** What is written of how wide an element is, the left side before the right. */
export interface WrittenWidth {
  /** Undefined for what isn't known. */
  readonly padding: readonly [Written | undefined, Written | undefined];
  /** Px. */
  readonly border: readonly [number, number];
  /** Undefined for what is `auto` or isn't known. */
  readonly margin: readonly [Written | undefined, Written | undefined];
  readonly width: Written | undefined;
}

/** Units of layout in a px. */
const UNITS = 64;
const single = Math.fround;

/**
 * A length in a room, px. As Chromium does: in numbers of single precision, cut off to 1/64 px; a share with px beside it is worked out in another order than
 * one by itself. (CSS Values 4, 10.12, leaves rounding to browsers.)
 */
export function lengthIn({ share, px }: Written, room: number): number {
  const part = px === 0 ? single(single(single(room) * single(share)) / 100) : single(single(single(share) / 100) * single(room));
  return Math.trunc(single(single(px) + part) * UNITS) / UNITS;
}
