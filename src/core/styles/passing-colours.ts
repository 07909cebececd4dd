import { clampChroma, converter, formatHex, rgb } from 'culori';
import type { Channels } from './luminance';
import { contrastRatio } from './luminance';

const oklch = converter('oklch');
/** Steps of lightness that are tried, from black to white. */
const STEPS = 400;

/**
 * The nearest colours of the same hue whose contrast with another is enough: the darker and the lighter one, the nearer
 * first, as `#rrggbb`. Lightness is that of Oklch (CSS Color 4, 9.2); where sRGB has no colour so strong, it is paler.
 * Empty where neither black nor white would do.
 * @param colour,against opaque, channels from 0 to 1
 * @param least the ratio that is needed (WCAG 2.2, 1.4.3), 1 to 21
 */
export function passingColours(colour: Channels, against: Channels, least: number): string[] {
  const [r, g, b] = colour;
  const from = oklch({ mode: 'rgb', r, g, b });
  const found: { hex: string; off: number }[] = [];
  for (const direction of [-1, 1]) {
    for (let step = 0; step <= STEPS; step++) {
      const l = from.l + (direction * step) / STEPS;
      if (l < 0 || l > 1) break;
      const hex = formatHex(clampChroma({ ...from, l }, 'oklch'));
      if (contrastRatio(channelsOf(hex), against) < least) continue;
      found.push({ hex, off: step });
      break;
    }
  }
  const ends = ['#000000', '#ffffff'].filter((end) => contrastRatio(channelsOf(end), against) >= least);
  const near = found.sort((x, y) => x.off - y.off).map(({ hex }) => hex);
  return [...new Set(near.length > 0 ? near : ends)];
}

function channelsOf(hex: string): Channels {
  const { r, g, b } = rgb(hex)!;
  return [r, g, b];
}
