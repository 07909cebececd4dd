import type { WidthRange } from '../../document/profile';

const known = new WeakMap<WidthRange, readonly number[]>();

/** The widths that a sweep decides: every whole px from the first to the last. Always the same list for the same range. */
export function widthsOf(range: WidthRange): readonly number[] {
  let widths = known.get(range);
  if (!widths) known.set(range, (widths = Array.from({ length: countOfWidths(range) }, (_, i) => range.first + i)));
  return widths;
}

/** How many widths a range has. */
export const countOfWidths = ({ first, last }: WidthRange): number => last - first + 1;

/** The one viewport that stands for a desktop screen enlarged to 400%, px (WCAG 2.2, 1.4.10). */
export const REFLOW_VIEWPORT = { width: 320, height: 256 } as const;
