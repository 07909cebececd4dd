/** How phones lay a page out, and how far they let people enlarge it. */
export interface SaidOfViewport {
  /** The largest scale that can be reached, 0.1 to 10; 1 and less where it can't be changed at all. */
  readonly most: number;
  /** Whether it is laid out as wide as the screen, and not wider or narrower. */
  readonly isDeviceWide: boolean;
}

/** The number that a text begins with. */
const numberIn = (text: string) => (/^[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/.test(text) ? Number.parseFloat(text) : undefined);

/** A scale; undefined where nothing is said by it. */
function scaleOf(value: string | undefined): number | undefined {
  if (value === undefined) return undefined;
  if (value === 'yes') return 1;
  if (value === 'device-width' || value === 'device-height') return 10;
  const number = numberIn(value) ?? 0.1;
  return number < 0 ? undefined : Math.min(10, Math.max(0.1, number));
}

function canBeScaled(value: string | undefined): boolean {
  if (value === undefined || /^(yes|device-width|device-height)$/.test(value)) return true;
  return Math.abs(numberIn(value) ?? 0) >= 1;
}

/** No screen is narrower, px: what is to be so wide or less is widened to the screen. */
const NARROWEST = 320;

/**
 * What the content of a viewport meta element says (CSS Viewport 1, "The viewport meta element"), read as browsers do where that is
 * another way: a property without a value has an unknown one, and an unknown or negative width is none. Heights are left out of account.
 */
export function readViewport(content: string): SaidOfViewport {
  const said = new Map<string, string>();
  for (const part of content.toLowerCase().split(/[,;]/))
    for (const [, name, value = ''] of part.matchAll(/([^\s=]+)[^=]*(?:=[\s=]*([^\s=]*))?/g))
      if (name !== 'width' || /^device-/.test(value) || (numberIn(value) ?? -1) >= 0) said.set(name!, value);
  const most = scaleOf(said.get('maximum-scale')) ?? 10;
  const initial = scaleOf(said.get('initial-scale'));
  const first = Math.min(initial ?? Infinity, most);
  const width = said.get('width');
  // Where none is said, only a scale that is named says how wide the page is.
  const isWidened = width === undefined ? initial !== undefined : (numberIn(width) ?? Infinity) <= NARROWEST;
  return {
    most: canBeScaled(said.get('user-scalable')) ? most : Math.min(1, most),
    isDeviceWide: width === 'device-width' ? first >= 1 : isWidened && first === 1,
  };
}
