import { argumentsFrom, lengthOf, unitsWith } from './length-math';

/** Functions whose value jumps, or follows no straight line: how, isn't worked out here (CSS Values 4, 10.3 to 10.6). */
const UNEVEN = /(?<![\w-])(?:round|mod|rem|sin|cos|tan|asin|acos|atan2?|pow|sqrt|hypot|log|exp|if)\(/i;

/** Whether a style sheet holds a value of which it isn't known how it follows the viewport. */
export const isUneven = (css: string): boolean => UNEVEN.test(css);

const CHOICES = /(?<![\w-])(min|max|clamp)\(/gi;

/**
 * The widths at which one argument of a `min()`, `max()` or `clamp()` passes another, where they go by the viewport's width
 * alone; where they go by something else, it is seen in the layout only.
 * @param height the viewport's, px
 * @param em px of 1rem
 */
export function bendsOf(css: string, height: number, em: number): number[] {
  const found = new Set<number>();
  const at = (width: number) => {
    const known = unitsWith(undefined);
    return (unit: string) => {
      const share = /^[dsl]?v(w|i|h|b|min|max)$/.exec(unit)?.[1];
      if (share === undefined) return unit === 'rem' ? em : known(unit);
      const size = { w: width, i: width, h: height, b: height, min: Math.min(width, height), max: Math.max(width, height) }[
        share
      ]!;
      return size / 100;
    };
  };
  const seen = new Set<string>();
  for (const { 0: name, index } of css.matchAll(CHOICES)) {
    const list = argumentsFrom(css, index + name.length)?.list ?? [];
    const text = list.join();
    if (seen.has(text)) continue;
    seen.add(text);
    const lines = list.flatMap((one) => {
      const [low, high] = [lengthOf(one, at(0)), lengthOf(one, at(1000))];
      return low === undefined || high === undefined ? [] : [{ low, slope: (high - low) / 1000 }];
    });
    lines.forEach((a, i) =>
      lines.slice(i + 1).forEach((b) => {
        const width = (b.low - a.low) / (a.slope - b.slope);
        if (Number.isFinite(width) && width > 0) found.add(Math.ceil(width));
      }),
    );
  }
  return [...found];
}
