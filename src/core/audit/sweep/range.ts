/** The widths that a sweep decides: every whole px from the first to the last. */
export const SWEEP_RANGE = { first: 320, last: 1920 } as const;

export const SWEPT_WIDTHS: readonly number[] = Array.from(
  { length: SWEEP_RANGE.last - SWEEP_RANGE.first + 1 },
  (_, i) => SWEEP_RANGE.first + i,
);
