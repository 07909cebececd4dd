/** Distances that should be the same and differ by more, px, aren't. */
export const SAME = 0.05;
