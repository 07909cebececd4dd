/** Browsers lay out in whole units of so many CSS px. */
export const UNIT = 1 / 64;
