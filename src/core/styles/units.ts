import type { LengthContext } from './length';
import { formatNumber, unitInPx } from './length';

/** What a measured length can be said in. */
export const LENGTH_UNITS = ['px', '%', 'em', 'rem', 'vw', 'vh'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];

export interface UnitContext extends LengthContext {
  /** The size in px that 100% stands for; undefined where percentages mean nothing here. */
  readonly whole?: number | undefined;
}

/** A single number with a unit, or a bare 0: its number and unit. Undefined for anything else. */
export function readLength(value: string): { readonly number: number; readonly unit: string } | undefined {
  const match = /^([+-]?\d*\.?\d+)(%|[a-z]*)$/i.exec(value.trim());
  if (!match) return undefined;
  const unit = match[2]!.toLowerCase();
  return unit === '' && Number(match[1]) !== 0 ? undefined : { number: Number(match[1]), unit: unit || 'px' };
}

function one(unit: string, context: UnitContext): number | undefined {
  return unit === '%' ? context.whole && context.whole / 100 : unitInPx(unit, context);
}

/**
 * A length of `px` CSS px in another unit, to at most three decimals (px: two).
 * Undefined where the unit comes to nothing here, such as a percentage of a box without a size.
 */
export function inUnit(px: number, unit: string, context: UnitContext): string | undefined {
  const size = one(unit, context);
  if (!size || !Number.isFinite(px / size)) return undefined;
  const grain = unit === 'px' ? 100 : 1000;
  return `${formatNumber(Math.round((px / size) * grain) / grain)}${unit}`;
}

/** A value moved by some px, in the unit it has; lengths that are no single number become px, from what is measured. */
export function movedBy(value: string, px: number, measured: number, context: UnitContext): string {
  const unit = readLength(value)?.unit ?? 'px';
  return inUnit(measured + px, unit, context) ?? `${formatNumber(Math.round((measured + px) * 100) / 100)}px`;
}

/** What 100% of a property means. */
export function wholeOf(property: string): 'width' | 'height' | 'font' | 'none' {
  if (/^(min-|max-)?height$|^(top|bottom|row-gap)$/.test(property)) return 'height';
  if (/^(font-size|line-height)$/.test(property)) return 'font';
  if (/^(min-|max-)?width$|^(left|right|column-gap|flex-basis|text-indent)$|^(padding|margin)-/.test(property)) return 'width';
  return 'none';
}
