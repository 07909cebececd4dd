/** Distances that should be the same and differ by more, px, aren't. */
export const SAME = 0.05;
/** A distance between letters that is less, px, is none. */
export const NEAR = 0.002;
/** Where all widths are exact, sums of them are, but for how computers add, px. */
export const EXACTLY = 1e-6;
