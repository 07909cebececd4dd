import { computedColour } from '../styles/colour';
import type { LengthContext } from '../styles/length';
import { formatNumber, formatPx, lengthInPx } from '../styles/length';
import { propertyNamed } from '../styles/properties';
import { aspectRatio, LINE_WIDTHS, NON_NEGATIVE } from './computed-tables';

/** What a value may ask of the element that it is one of; worked out only when it does. */
export interface Around {
  /** The element's computed font size, px. */
  readonly size: () => number;
  readonly context: () => LengthContext;
  /** The computed value of the parent. */
  readonly parent: (property: string) => string | undefined;
}

/** A specified value as it is computed (CSS Values 4, 2; each property's "Computed value"); undefined where it isn't claimed. */
export function computedValue(property: string, value: string, around: Around): string | undefined {
  if (property === 'font-weight') return weight(value, around);
  if (property === 'font-family') return families(value);
  if (property === 'background-position') return value;
  if (property === 'line-height') return lineHeight(value, around);
  if (property === 'text-align' && value === 'match-parent') return around.parent(property) ?? 'start';
  if (property === 'justify-items' && value === 'legacy') return 'normal';
  if (property === 'white-space') return whiteSpace(value.toLowerCase());
  const { control } = propertyNamed(property);
  if (control.kind === 'colour') return colour(property, value, around);
  if (/^(border-.*-width|outline-(width|offset))$/.test(property)) return lineWidth(value, around);
  if (control.kind === 'keyword') return value.toLowerCase();
  if (property === 'opacity' && !/\(/.test(value))
    return formatNumber(Math.min(1, Math.max(0, parseFloat(value) / (value.endsWith('%') ? 100 : 1))));
  if (control.kind === 'number')
    return /^-?[\d.]+$/.test(value) ? formatNumber(parseFloat(value)) : value === 'auto' ? value : undefined;
  if (property.endsWith('-radius') && /\s/.test(value)) return undefined;
  if (property === 'aspect-ratio') return aspectRatio(value);
  if (/^grid-(column|row)-(start|end)$/.test(property)) return /^(auto|-?\d+|span \d+)$/.test(value) ? value : undefined;
  if (property.startsWith('grid-')) return trackList(value, around);
  return length(property, value, around);
}

const WHITE_SPACE: Readonly<Record<string, string>> = {
  collapse: 'normal',
  wrap: 'normal',
  preserve: 'pre-wrap',
  'preserve nowrap': 'pre',
  'preserve-breaks': 'pre-line',
};

/** Collapsing and wrapping said apart, by the word for both (CSS Text 4, 4.2); undefined where there is none. */
function whiteSpace(value: string): string | undefined {
  if (/^(normal|nowrap|pre|pre-wrap|pre-line|break-spaces)$/.test(value)) return value;
  return WHITE_SPACE[value];
}

/** Quoted, these are names of fonts; bare, they are something else (CSS Fonts 4, 2.1). */
const GENERIC = /^(serif|sans-serif|cursive|fantasy|monospace|system-ui|inherit|initial|unset|default|revert|revert-layer)$/i;
const IDENTIFIER = /^-?[_a-z\u0080-\uffff][-\w\u0080-\uffff]*$/i;

/** A list of families as browsers write it: names of several words in quotation marks, others without. Undefined where it holds escapes. */
function families(value: string): string | undefined {
  if (value.includes('\\')) return undefined;
  const names = value.match(/(?:"[^"]*"|'[^']*'|[^,"'])+/g) ?? [];
  return names
    .map((written) => {
      const name = written.trim();
      const quoted = /^["'](.*)["']$/.exec(name)?.[1];
      const text = quoted ?? name.replace(/\s+/g, ' ');
      if (quoted === undefined && GENERIC.test(text)) return text.toLowerCase();
      if (quoted === undefined ? !text.includes(' ') : IDENTIFIER.test(text) && !GENERIC.test(text)) return text;
      return `"${text.replaceAll('"', '\\"')}"`;
    })
    .join(', ');
}

export function knownPx(px: number | undefined): string | undefined {
  return px === undefined || Number.isNaN(px) ? undefined : formatPx(px);
}

function length(property: string, value: string, { context }: Around): string | undefined {
  if (/^[a-z-]+$/i.test(value)) return property === 'word-spacing' && value === 'normal' ? '0px' : value.toLowerCase();
  if (/^-?[\d.]+%$/.test(value))
    return property.endsWith('-spacing') || property === 'text-indent' ? undefined : `${formatNumber(parseFloat(value))}%`;
  const px = lengthInPx(value, context());
  if (property === 'letter-spacing' && px === 0) return 'normal';
  const floored = px !== undefined && NON_NEGATIVE.test(property) ? Math.max(0, px) : px;
  return knownPx(floored);
}

function trackList(value: string, { context: of }: Around): string | undefined {
  if (/[[\]]|fit-content|subgrid|auto-fill|auto-fit/.test(value)) return undefined;
  const context = of();
  let known = true;
  const text = value
    .replace(/minmax\(\s*0\s*,/g, 'minmax(0px,')
    .replace(/\s*,\s*/g, ', ')
    .replace(/(?<![\w.(])0(?![\w.%])/g, '0px')
    .replace(/(-?\d*\.?\d+)(%|[a-z]+)/gi, (whole, number: string, unit: string) => {
      if (unit === 'fr' || unit === '%') return formatNumber(parseFloat(number)) + unit;
      const px = lengthInPx(whole, context);
      if (px === undefined || Number.isNaN(px)) known = false;
      return formatPx(px ?? 0);
    });
  return known && !/(calc|min|max|clamp)\(/.test(text) ? text : undefined;
}

function colour(property: string, value: string, { parent }: Around): string | undefined {
  if (value.toLowerCase() !== 'currentcolor') return computedColour(value);
  return property === 'color' ? (parent('color') ?? propertyNamed('color').initial) : 'currentcolor';
}

/** Widths of lines, and distances of outlines, are snapped down to whole device px, but never from something to nothing (CSS Backgrounds 3). */
function lineWidth(value: string, { context }: Around): string | undefined {
  const px = LINE_WIDTHS[value] ?? lengthInPx(value, context());
  if (px === undefined) return undefined;
  // Browsers reckon in 32 bits: what comes to a whole number here may be a hair less there, and is cut down then.
  if (/\(|v(?:w|h|min|max)/.test(value) && Math.abs(px - Math.round(px)) < 1e-4) return undefined;
  return knownPx(Math.abs(px) > 0 && Math.abs(px) < 1 ? Math.sign(px) : Math.trunc(px));
}

function weight(value: string, { parent }: Around): string {
  const named: Record<string, string> = { normal: '400', bold: '700' };
  if (named[value]) return named[value];
  if (value !== 'bolder' && value !== 'lighter') return formatNumber(parseFloat(value));
  const inherited = parseFloat(parent('font-weight') ?? '400');
  if (value === 'bolder') return inherited < 350 ? '400' : inherited < 550 ? '700' : inherited < 900 ? '900' : String(inherited);
  return inherited < 100 ? String(inherited) : inherited < 550 ? '100' : inherited < 750 ? '400' : '700';
}

function lineHeight(value: string, { size, context }: Around): string | undefined {
  if (value === 'normal' || /^[\d.]+$/.test(value)) return value;
  if (/^[\d.]+%$/.test(value)) return knownPx((parseFloat(value) / 100) * size());
  return knownPx(lengthInPx(value, context()));
}
