import { parse, rgb } from 'culori';
import type { Channels } from './luminance';

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

/** The channels of an opaque colour, for its luminance. */
export const channelsOf = ({ r, g, b }: Rgba): Channels => [r, g, b];
