import type { IntervalSet } from '../breakpoints/interval';
import { integersIn } from '../breakpoints/interval';
import type { WidthRange } from '../document/profile';

/** A width so near to another shows much the same: the share that they must differ by. */
const APART = 0.08;

/**
 * Three widths, whole px, at which an edit is shown before and after: where what it mends is worst, and the narrowest and
 * the widest that it touches; fewer where it touches little.
 */
export function shownWidths(range: WidthRange, touched: IntervalSet, worst: number): number[] {
  const all = integersIn(touched, range);
  if (all.length === 0) return [];
  const middle = all[Math.floor(all.length / 2)]!;
  const shown: number[] = [];
  for (const width of [all.includes(worst) ? worst : middle, all[0]!, all.at(-1)!, middle])
    if (shown.length < 3 && shown.every((one) => Math.abs(one - width) > one * APART)) shown.push(width);
  return shown.sort((a, b) => a - b);
}
