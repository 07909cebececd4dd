import type { Font } from 'fontkit';
import type { FontFace } from '@/core/document';

/** How often letters stand in running text of Latin script, of a thousand. */
const FREQUENCY: Readonly<Record<string, number>> = {
  ...{ ' ': 180, e: 102, t: 75, a: 65, o: 62, n: 57, i: 57, s: 53, r: 50, h: 50, l: 33, d: 33, u: 23, c: 22 },
  ...{ m: 20, f: 18, w: 17, g: 16, p: 15, y: 14, b: 13, v: 8, k: 5, x: 1, j: 1, q: 1, z: 1 },
};

/** The mean advance of running text, in parts of the font size; undefined for a font without Latin letters. */
export function meanWidth(font: Font): number | undefined {
  let sum = 0;
  let all = 0;
  for (const [letter, often] of Object.entries(FREQUENCY)) {
    if (!font.hasGlyphForCodePoint(letter.codePointAt(0)!)) continue;
    sum += often * font.glyphForCodePoint(letter.codePointAt(0)!).advanceWidth;
    all += often;
  }
  return all > 500 && sum > 0 ? sum / all / font.unitsPerEm : undefined;
}

/** The same of the fonts that readers have, measured on fonts of the same widths. */
const MEAN: Readonly<Record<FontFace['fallback']['local'], number>> = {
  Arial: 0.4402,
  'Times New Roman': 0.3987,
  'Courier New': 0.6001,
};

interface Tables {
  readonly 'OS/2': {
    readonly fsSelection?: { readonly useTypoMetrics?: boolean };
    readonly typoAscender: number;
    readonly typoDescender: number;
    readonly typoLineGap: number;
    readonly panose?: ArrayLike<number>;
  };
  readonly post?: { readonly isFixedPitch?: number };
}

/** What stands in for a font: as wide in the mean, and with lines as high (CSS Fonts 5, 2). */
export function fallbackFor(font: Font): FontFace['fallback'] {
  const { 'OS/2': os2, post } = font as unknown as Tables;
  // The second figure of a Latin face: 2 to 10 are those with serifs (PANOSE).
  const [kind, serifs] = [os2.panose?.[0] ?? 0, os2.panose?.[1] ?? 0];
  const isSerif =
    (kind === 2 && serifs >= 2 && serifs <= 10) ||
    (kind === 0 && /serif|roman|slab/i.test(font.familyName) && !/sans/i.test(font.familyName));
  const local = post?.isFixedPitch ? 'Courier New' : isSerif ? 'Times New Roman' : 'Arial';
  const share = (meanWidth(font) ?? MEAN[local]) / MEAN[local];
  const typo = os2.fsSelection?.useTypoMetrics === true;
  const [ascent, descent, gap] = typo
    ? [os2.typoAscender, os2.typoDescender, os2.typoLineGap]
    : [font.ascent, font.descent, font.lineGap];
  const percent = (units: number, least: number) => {
    const value = (Math.abs(units) / font.unitsPerEm / share) * 100;
    return Math.min(1_000, Math.max(least, Math.round(value * 100) / 100));
  };
  return {
    local,
    sizeAdjust: Math.min(1_000, Math.max(1, Math.round(share * 10_000) / 100)),
    ...{ ascent: percent(ascent, 1), descent: percent(descent, 0), lineGap: percent(Math.max(0, gap), 0) },
  };
}
