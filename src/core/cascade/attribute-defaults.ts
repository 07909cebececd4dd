import type { Declarations, PageElement } from '../document/element';

/** Elements whose `width` and `height` say how large they are shown (HTML, "Attributes for embedded content and images"). */
const SIZED = new Set(['img', 'video', 'iframe', 'object', 'embed', 'svg']);
const WITH_RATIO = new Set(['img', 'video', 'canvas']);
const COUNTED: Readonly<Record<string, string>> = {
  '1': 'decimal',
  a: 'lower-alpha',
  A: 'upper-alpha',
  i: 'lower-roman',
  I: 'upper-roman',
};

const HIDDEN: Declarations = { display: 'none' };
const ABBREVIATED: Declarations = { 'text-decoration-line': 'underline' };
const SHRUNK: Declarations = { display: 'inline', width: '0px', height: '0px' };

const pixels = (value: string) =>
  /^\d+(\.\d+)?$/.test(value) ? `${value}px` : /^\d+(\.\d+)?(%|px)$/.test(value) ? value : undefined;

/**
 * What an element's attributes say about its looks: presentational hints, weaker than any sheet of the page (CSS Cascade
 * 5, 6.5), and what the browser's own sheet asks of attributes. Undefined for nothing.
 */
export function attributeDefaultsFor({ tag, attributes }: Pick<PageElement, 'tag' | 'attributes'>): Declarations | undefined {
  let result: Record<string, string> | undefined;
  // In the order in which they are written: of two that say the same the later counts.
  for (const name of tag === 'embed' ? Object.keys(attributes).sort() : Object.keys(attributes)) {
    const value = attributes[name]!;
    if (name === 'hidden' && value !== 'until-found' && tag !== 'svg' && tag !== 'math')
      result = { ...result, ...(tag === 'embed' ? SHRUNK : HIDDEN) };
    else if ((name === 'width' || name === 'height') && SIZED.has(tag)) {
      const size = pixels(value);
      if (size !== undefined) (result ??= {})[name] = size;
    } else if (name === 'type' && tag === 'ol' && COUNTED[value]) (result ??= {})['list-style-type'] = COUNTED[value];
    else if (name === 'title' && (tag === 'abbr' || tag === 'acronym')) result = { ...result, ...ABBREVIATED };
    else if (name === 'display' && tag === 'math' && value === 'block') (result ??= {}).display = 'block math';
  }
  if (WITH_RATIO.has(tag) && attributes.width !== undefined && attributes.height !== undefined)
    (result ??= {})['aspect-ratio'] = `auto ${Number(attributes.width)} / ${Number(attributes.height)}`;
  if (tag === 'dialog' && !('open' in attributes)) (result ??= {}).display = 'none';
  return result;
}
