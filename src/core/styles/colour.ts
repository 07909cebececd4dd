import { parse, rgb } from 'culori';

/**
 * A colour as `getComputedStyle` writes it for the legacy sRGB forms (CSSOM, "serialize a CSS component value"):
 * `rgb(r, g, b)` or `rgba(r, g, b, a)`. Undefined for other colour spaces, system colours and `currentcolor`.
 */
export function computedColour(value: string): string | undefined {
  if (/^(color|oklab|oklch|lab|lch|color-mix|light-dark|hwb)\(/i.test(value)) return undefined;
  const colour = rgb(parse(value));
  if (!colour) return undefined;
  const byte = (channel: number) => Math.round(Math.min(1, Math.max(0, channel)) * 255);
  const channels = [colour.r, colour.g, colour.b].map(byte).join(', ');
  const alpha = colour.alpha ?? 1;
  return alpha >= 1 ? `rgb(${channels})` : `rgba(${channels}, ${alphaText(alpha)})`;
}

/** Two decimals where they name the same 8-bit alpha, else three. */
function alphaText(alpha: number): string {
  const byte = Math.round(Math.max(0, alpha) * 255);
  const two = Math.round((byte / 255) * 100) / 100;
  return String(Math.round(two * 255) === byte ? two : Math.round((byte / 255) * 1000) / 1000);
}
