import { formatNumber } from './length';

/** A length at a viewport width, both CSS px. */
export interface FluidPoint {
  readonly width: number;
  readonly px: number;
}

/** A value that grows evenly from one width to another and stays as it is outside. */
export interface Fluid {
  readonly from: FluidPoint;
  readonly to: FluidPoint;
}

export type FluidResult = { readonly ok: true; readonly value: string } | { readonly ok: false; readonly message: string };

/**
 * The value as `clamp()` (CSS Values 4, 10.3). Its ends and its fixed part are in rem, so that it follows the reader's
 * own text size; only the growth is in vw. True to 0.02 px between 200 and 3000 px at a root size of 16 px.
 * @param rem what 1rem comes to, px
 */
export function fluidValue({ from, to }: Fluid, rem = 16): FluidResult {
  const inRem = (px: number) => `${formatNumber(Math.round((px / rem) * 1e5) / 1e5)}rem`;
  const [a, b] = from.width <= to.width ? [from, to] : [to, from];
  if (![a.width, b.width, a.px, b.px].every(Number.isFinite))
    return { ok: false, message: 'Two widths and two values are needed.' };
  if (a.width < 1) return { ok: false, message: 'A width is at least 1 px.' };
  if (b.width - a.width < 1) return { ok: false, message: 'The two widths must lie apart.' };
  if (a.px === b.px) return { ok: false, message: 'The two values are the same: write it as it is.' };
  const slope = (b.px - a.px) / (b.width - a.width);
  const fixed = a.px - slope * a.width;
  const growth = Math.round(slope * 100 * 1e5) / 1e5;
  const [low, high] = [Math.min(a.px, b.px), Math.max(a.px, b.px)];
  const sign = growth < 0 ? '-' : '+';
  return { ok: true, value: `clamp(${inRem(low)}, ${inRem(fixed)} ${sign} ${formatNumber(Math.abs(growth))}vw, ${inRem(high)})` };
}

const FORM = /^clamp\(\s*(-?[\d.]+)rem\s*,\s*(-?[\d.]+)rem\s*([+-])\s*([\d.]+)vw\s*,\s*(-?[\d.]+)rem\s*\)$/i;

/**
 * What `fluidValue` wrote; undefined for any other value.
 * @param rem what 1rem comes to, px
 */
export function readFluid(value: string, rem = 16): Fluid | undefined {
  const match = FORM.exec(value.trim());
  if (!match) return undefined;
  const [low, fixed, growth, high] = [match[1]!, match[2]!, match[4]!, match[5]!].map(Number) as [number, number, number, number];
  const slope = (match[3] === '-' ? -growth : growth) / 100;
  if (slope === 0 || low >= high) return undefined;
  const at = (end: number) => ({ px: end * rem, width: Math.round((((end - fixed) * rem) / slope) * 10) / 10 });
  const [a, b] = [at(low), at(high)];
  return a.width < b.width ? { from: a, to: b } : { from: b, to: a };
}

/** The value in px at a viewport width. */
export function fluidAt({ from, to }: Fluid, width: number): number {
  const [a, b] = from.width <= to.width ? [from, to] : [to, from];
  if (width <= a.width) return a.px;
  if (width >= b.width) return b.px;
  return a.px + ((b.px - a.px) * (width - a.width)) / (b.width - a.width);
}

/**
 * Whether type of this size can reach twice itself by the browser's zoom (WCAG 2.2, 1.4.4 Resize text): zooming to n
 * makes the viewport n times narrower, so what shrinks with it takes part of the zoom back. Zoom goes up to 500%.
 */
export function reachesDouble(fluid: Fluid): boolean {
  const { from, to } = fluid;
  const last = Math.max(from.width, to.width);
  for (let width = 320; width <= last * 1.2; width += 8) {
    const plain = fluidAt(fluid, width);
    let best = 0;
    for (let zoom = 1; zoom <= 5; zoom += 0.25) best = Math.max(best, zoom * fluidAt(fluid, width / zoom));
    if (best < 2 * plain - 0.01) return false;
  }
  return true;
}
