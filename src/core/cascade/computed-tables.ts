import { READERS_SIZE } from '../document/root-size';
import { formatNumber } from '../styles/length';

/** The fixed tables of computed values: CSS Fonts 4, CSS Backgrounds 3, CSS Display 3 and what browsers add to them. */

const SIZE_WORDS: Readonly<Record<string, number>> = {
  'xx-small': 9,
  'x-small': 10,
  small: 13,
  medium: 16,
  large: 18,
  'x-large': 24,
  'xx-large': 32,
  'xxx-large': 48,
};
/** What the words are of the reader's own size where that isn't the usual one: browsers have no table there. */
const SIZE_FACTORS: Readonly<Record<string, number>> = {
  'xx-small': 0.6,
  'x-small': 0.75,
  small: 0.89,
  medium: 1,
  large: 1.2,
  'x-large': 1.5,
  'xx-large': 2,
  'xxx-large': 3,
};

/**
 * An absolute size (CSS Fonts 4, 3.5.1) in px; undefined for what is none.
 * @param text the reader's own text size as a multiple of 16 px
 */
export function sizeOfWord(word: string, text = 1): number | undefined {
  if (text === 1) return SIZE_WORDS[word];
  const factor = SIZE_FACTORS[word];
  return factor === undefined ? undefined : Math.round(factor * text * READERS_SIZE * 1e4) / 1e4;
}
/** What the words are where the only family is `monospace`, which browsers make smaller: 13 px for 16. */
const MONOSPACE_WORDS: Readonly<Record<string, number>> = {
  'xx-small': 9,
  'x-small': 10,
  small: 12,
  medium: 13,
  large: 16,
  'x-large': 20,
  'xx-large': 26,
  'xxx-large': 39,
};
export const MONOSPACE_SHARE = 13 / 16;
export const monospaceSize = (word: string): number | undefined => MONOSPACE_WORDS[word];

export const LINE_WIDTHS: Readonly<Record<string, number>> = { thin: 1, medium: 3, thick: 5 };

/** Elements that have nothing to show without a box of their own (CSS Display 3, appendix B). */
export const REPLACED = new Set(
  'img input textarea br wbr meter progress canvas embed object audio iframe video select svg math'.split(' '),
);

/** Elements that browsers show in a tree of their own, or not at all; of `<select>` and the like only what is inside. */
export const WIDGETS = new Set(['select', 'datalist', 'video', 'audio', 'meter', 'progress', 'object']);
export const WIDGET_PARTS = new Set(['option', 'optgroup']);

/** Form controls are never parts of a table and never inline boxes (HTML, "Form controls"). */
export const CONTROLS = new Set(['button', 'input', 'textarea', 'select', 'meter', 'progress']);
export const CONTROL_DISPLAY: Readonly<Record<string, string>> = {
  inline: 'inline-block',
  table: 'block',
  'list-item': 'block',
  'table-cell': 'inline-block',
  'table-row': 'inline-block',
  'table-row-group': 'inline-block',
  'table-header-group': 'inline-block',
  'table-footer-group': 'inline-block',
  'table-caption': 'inline-block',
};

export const NON_NEGATIVE = /^(padding|width|height|min-|max-|row-gap|column-gap|flex-basis|border-)/;

export const BLOCKIFIED: Readonly<Record<string, string>> = {
  inline: 'block',
  'inline-block': 'block',
  'inline-flex': 'flex',
  'inline-grid': 'grid',
  math: 'block math',
  ruby: 'block ruby',
  'ruby-text': 'block',
  'table-column': 'block',
  'table-column-group': 'block',
  'table-cell': 'block',
  'table-row': 'block',
  'table-row-group': 'block',
  'table-header-group': 'block',
  'table-footer-group': 'block',
  'table-caption': 'block',
};

export function aspectRatio(value: string): string | undefined {
  if (value === 'auto') return value;
  const match = /^(auto )?([\d.]+)(?: ?\/ ?([\d.]+))?$/.exec(value);
  return match
    ? `${match[1] ?? ''}${formatNumber(parseFloat(match[2]!))} / ${formatNumber(parseFloat(match[3] ?? '1'))}`
    : undefined;
}
