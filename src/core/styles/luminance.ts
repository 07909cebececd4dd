/** Red, green and blue in sRGB, each from 0 to 1. */
export type Channels = readonly [red: number, green: number, blue: number];

const linear = (channel: number) => (channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4);

/** Relative luminance (WCAG 2.2, definitions), 0 to 1. */
const luminance = ([red, green, blue]: Channels): number => 0.2126 * linear(red) + 0.7152 * linear(green) + 0.0722 * linear(blue);

/** Contrast ratio of two opaque colours (WCAG 2.2, definitions), 1 to 21. */
export function contrastRatio(a: Channels, b: Channels): number {
  const [x, y] = [luminance(a), luminance(b)];
  return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
}

/** The ratio that text needs (WCAG 2.2, 1.4.3): 3 for large text (24 px, or 18.66 px in bold), else 4.5. */
export const contrastNeeded = (fontSize: number, bold: boolean): number =>
  fontSize >= 24 || (fontSize >= 18.66 && bold) ? 3 : 4.5;
