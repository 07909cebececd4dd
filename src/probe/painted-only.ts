import { HELD_ATTRIBUTE as HELD } from '@/core/audit/codes';
import { rulesOf } from './rules-of';

const SIDES = ['top', 'right', 'bottom', 'left'] as const;

/**
 * Longhands that change what is painted, not where anything lies. Lines of text aren't among them: Chromium shapes the end of a line of
 * underlined text otherwise.
 */
export const PAINTED: ReadonlySet<string> = new Set([
  ...['color', 'caret-color', 'accent-color', 'cursor', 'fill', 'stroke', 'box-shadow', 'text-shadow'],
  ...['image', 'color', 'position-x', 'position-y', 'size', 'repeat', 'origin', 'clip', 'attachment'].map(
    (one) => `background-${one}`,
  ),
  ...['color', 'style', 'width', 'offset'].map((one) => `outline-${one}`),
  ...SIDES.map((side) => `border-${side}-color`),
  ...['top-left', 'top-right', 'bottom-left', 'bottom-right'].map((corner) => `border-${corner}-radius`),
  ...['color', 'style', 'thickness'].map((one) => `text-decoration-${one}`),
  ...['property', 'duration', 'delay', 'timing-function', 'behavior'].map((one) => `transition-${one}`),
]);

/** Whether all that a sheet says of elements that are held in a state is painted only. */
export const paintsIn = (sheet: CSSStyleSheet, state: string): boolean =>
  // Where this is what browsers do themselves, they only paint: a border is inset that was there before.
  isOfDevice(sheet) || saysPainted(rulesOf(sheet), `[${HELD}~="${state}"]`, false);

const isOfDevice = ({ ownerNode }: CSSStyleSheet) =>
  (ownerNode as Partial<Element> | null)?.hasAttribute?.('data-mp-device') === true;

/** @param inside whether what holds the rules asks for the state already */
function saysPainted(rules: Iterable<CSSRule>, said: string, inside: boolean): boolean {
  for (const rule of rules) {
    const { selectorText, style, cssRules } = rule as Partial<CSSStyleRule>;
    const nested = cssRules ? [...cssRules] : [];
    // What a group asks for before its rules: of scopes, too.
    const asks = inside || (selectorText ?? rule.cssText.slice(0, rule.cssText.indexOf('{'))).includes(said);
    if (asks && style && ![...style].every((name) => PAINTED.has(name))) return false;
    if (!saysPainted(nested, said, asks)) return false;
  }
  return true;
}
