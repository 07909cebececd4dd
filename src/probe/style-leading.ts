import type { StyleOnLine } from '@/core/audit/typeset/leading';

/** A style of type as it can be set anywhere; undefined where more than its type makes it what it is. */
export type TypeStyle = CSSStyleDeclaration | undefined;

export const TYPE = [
  'font-family',
  'font-size',
  'font-weight',
  'font-style',
  'font-stretch',
  'font-variant',
  'font-size-adjust',
  'font-kerning',
  'font-feature-settings',
  'letter-spacing',
  'text-transform',
  'line-height',
] as const;

/** Sets an element as a style is, and nothing else. */
function setAs(element: HTMLElement, style: CSSStyleDeclaration, display: string): void {
  element.style.cssText = `all: unset; display: ${display}`;
  for (const name of TYPE) element.style.setProperty(name, style.getPropertyValue(name));
}

/**
 * Asks the browser how far lines reach with each style, by itself and beside the strut.
 * @param pairs strut and style, each by index
 * @param lax where a box without type of its own on a line doesn't count (the line height calculation quirk)
 */
export function askLeading(
  document: Document,
  styles: readonly TypeStyle[],
  pairs: readonly (readonly [strut: number, style: number])[],
  lax: boolean,
): StyleOnLine[] {
  const box = document.createElement('div');
  box.style.cssText = 'all: initial; position: absolute; left: 0; top: 0; width: 1000px; visibility: hidden; white-space: nowrap';
  const rows = pairs.flatMap(([strut, style]) => {
    const [own, other] = [styles[strut], styles[style]];
    if (!own || !other) return [];
    const [both, alone] = [document.createElement('div'), document.createElement('div')];
    const spans = [both, alone].map((row) => {
      setAs(row, own, 'block');
      const span = document.createElement('span');
      setAs(span, other, 'inline');
      span.textContent = 'x';
      if (row === both || !lax) row.append('x');
      row.append(span);
      box.append(row);
      return span;
    });
    return [{ strut, style, both, alone, spans }];
  });
  document.documentElement.append(box);
  const range = document.createRange();
  const topOf = (node: Node) => {
    range.selectNodeContents(node);
    return range.getBoundingClientRect().top;
  };
  const found = rows.map(({ strut, style, both, alone, spans }): StyleOnLine => {
    const offset = topOf(spans[0]!) - topOf(both.firstChild!);
    const { top, bottom } = alone.getBoundingClientRect();
    const strutTop = topOf(spans[1]!) - offset;
    return { strut, style, offset, above: strutTop - top, below: bottom - strutTop };
  });
  box.remove();
  return found;
}

/** Whether a document is set in quirks mode, or in the one that has this one quirk (HTML, 13.2.6.4.1). */
export const isLax = (document: Document): boolean =>
  document.compatMode === 'BackCompat' ||
  /(HTML 4\.01|XHTML 1\.0) (Transitional|Frameset)/i.test(document.doctype?.publicId ?? '');
