import { rulesOf } from './rules-of';

/** Declarations by which an element may be of another size when only the viewport's height changes, or stand otherwise. */
const SIZED = /[\d.](?:[dsl]?v(?:h|b|min|max)|cq(?:h|b|min|max))\b|(?:height|block-size)\s*:[^;}]*%/;
/** The same for what doesn't stand in the flow. */
const PLACED = /\b(?:fixed|sticky)\b|\b(?:top|bottom|inset[a-z-]*)\s*:[^;}]*%/;

/** Elements of which something is said that follows the viewport's height. */
export interface ByHeight {
  readonly sized: readonly Element[];
  /** Only where they don't stand in the flow. */
  readonly placed: readonly Element[];
}

const isTold = (css: string) => SIZED.test(css) || PLACED.test(css);

/**
 * The elements of which something is said that follows the viewport's height: where none of them has a box, nothing does.
 * @param media all media conditions of the document, in words
 * @returns undefined where it can't be told which they are
 */
export function elementsByHeight(document: Document, media: Iterable<string>): ByHeight | undefined {
  for (const text of media) if (/height|orientation|aspect/.test(text)) return undefined;
  const [sized, placed] = [new Set<Element>(), new Set<Element>()];
  const add = (element: Element, css: string) => {
    if (SIZED.test(css)) sized.add(element);
    if (PLACED.test(css)) placed.add(element);
  };
  const walk = (rules: Iterable<CSSRule>): boolean => {
    for (const rule of rules) {
      const { style, selectorText, cssRules } = rule as CSSStyleRule;
      if (selectorText !== undefined && isTold(style.cssText) && !take(selectorText, style)) return false;
      if (cssRules && !walk(cssRules)) return false;
    }
    return true;
  };
  const take = (selector: string, style: CSSStyleDeclaration): boolean => {
    // What is kept in a custom property may be used anywhere; nested rules say of whom in words of their own.
    if (Array.from(style).some((name) => name.startsWith('--')) || selector.includes('&')) return false;
    const own = selector.replace(/::[\w-]+(\([^)]*\))?/g, '').replace(/(^|[\s>+~,(])(?=[\s>+~,)]|$)/g, '$1*');
    try {
      for (const element of document.querySelectorAll(own)) add(element, style.cssText);
      return true;
    } catch {
      return false;
    }
  };
  for (const sheet of document.styleSheets) if (!walk(rulesOf(sheet))) return undefined;
  for (const element of document.querySelectorAll('[style]')) add(element, element.getAttribute('style')!);
  return { sized: [...sized], placed: [...placed] };
}
