import { PLAIN_DENOMINATORS } from '@/core/audit/codes';

/** Shares that part by less are the same. */
const SAME = 1e-8;
/** Numbers with no finer parts are exact in browsers, and so is what they multiply. */
const PARTS = 16;

const COLOUR = /(?:rgb|hsl|hwb|lab|lch|color)a?\(|#[\da-f]{3}/i;
/** What is divided is rounded otherwise at some widths. */
const DIVIDED = /\(.*[*/]/;
const NUMBER =
  /(?<![\w.#-])[+-]?(\d*\.?\d+(?:e[+-]?\d+)?)(%|fr\b|[dsl]?v(?:w|h|i|b|min|max)\b|cq(?:w|h|i|b|min|max)\b|(?![\w%.]))/gi;

/** Whether all shares of something that a value holds are plain ones: 33.33% is not quite a third. */
export function hasPlainShares(value: string): boolean {
  if (COLOUR.test(value)) return true;
  if (DIVIDED.test(value)) return false;
  return [...value.matchAll(NUMBER)].every(([, number, unit]) => {
    if (!Number.isInteger(Number(number) * PARTS)) return false;
    if (unit === '' || unit === 'fr') return true;
    const share = Number(number) / 100;
    return PLAIN_DENOMINATORS.some((denominator) => Math.abs(share - Math.round(share * denominator) / denominator) < SAME);
  });
}
