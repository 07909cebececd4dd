import { TYPE } from './style-leading';

/** What makes letters as wide as they are, and how near they come to each other, besides their type. */
const SHAPED_BY = [
  ...TYPE,
  'font-variation-settings',
  'font-optical-sizing',
  'font-language-override',
  'font-synthesis-weight',
  'font-synthesis-style',
  'font-synthesis-small-caps',
  'word-spacing',
  'text-rendering',
  'text-spacing-trim',
  'text-autospace',
  'tab-size',
  'direction',
  'unicode-bidi',
  'visibility',
  '-webkit-locale',
] as const;

/** What an inline element has at its ends. */
export const AT_ENDS = [
  'padding-left',
  'padding-right',
  'margin-left',
  'margin-right',
  'border-left-width',
  'border-right-width',
] as const;

/** How the letters of texts are shaped: two styles of the same type and line height may have other distances between letters. */
export class Shapes {
  readonly #said = new Map<Element, string>();
  readonly #numbers = new Map<string, number>();

  /** @param of the style of an element */
  constructor(private readonly of: (element: Element) => CSSStyleDeclaration) {}

  /** All of it, of what stands in an element, written out. */
  said(element: Element): string {
    let said = this.#said.get(element);
    if (said === undefined) {
      const style = this.of(element);
      this.#said.set(element, (said = SHAPED_BY.map((name) => style.getPropertyValue(name)).join(';')));
    }
    return said;
  }

  /** The same for those that are shaped in the same way. */
  number(text: Text): number {
    const said = this.said(text.parentElement!);
    let number = this.#numbers.get(said);
    if (number === undefined) this.#numbers.set(said, (number = this.#numbers.size));
    return number;
  }
}
