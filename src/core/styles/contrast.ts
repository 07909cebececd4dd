import { parse, rgb } from 'culori';

/** Channels and alpha from 0 to 1. */
export interface Rgba {
  readonly r: number;
  readonly g: number;
  readonly b: number;
  readonly alpha: number;
}

/** A colour in sRGB; undefined for what isn't a plain colour (currentcolor, system colours, variables). */
export function readColour(value: string): Rgba | undefined {
  const colour = rgb(parse(value));
  return colour && { r: colour.r, g: colour.g, b: colour.b, alpha: colour.alpha ?? 1 };
}

/** What shows where a colour lies over an opaque one. */
export function over(top: Rgba, below: Rgba): Rgba {
  const mix = (a: number, b: number) => a * top.alpha + b * (1 - top.alpha);
  return { r: mix(top.r, below.r), g: mix(top.g, below.g), b: mix(top.b, below.b), alpha: 1 };
}

/** Relative luminance (WCAG 2.2, definitions), 0 to 1. */
function luminance({ r, g, b }: Rgba): number {
  const linear = (channel: number) => (channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4);
  return 0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b);
}

/** Contrast ratio of two opaque colours (WCAG 2.2, definitions), 1 to 21. */
export function contrastRatio(a: Rgba, b: Rgba): number {
  const [high, low] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
  return (high + 0.05) / (low + 0.05);
}

/** The ratio that text needs (WCAG 2.2, 1.4.3): 3 for large text (24 px, or 18.66 px in bold), else 4.5. */
export function contrastNeeded(fontSize: number, weight: number): number {
  return fontSize >= 24 || (fontSize >= 18.66 && weight >= 700) ? 3 : 4.5;
}
