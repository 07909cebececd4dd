import type { At } from '@/core/breakpoints';
import type { Alternate, List, Page, PageElement, Panel, Saying, StyleSet, Use } from '@/core/document';
import { textChildren, topOf } from '@/core/document';
import { checkValue } from '@/core/styles';

export type Values = Readonly<Record<string, string>>;

export const MIDDLE = 'bmiddle';
export const NARROW = 'bnarrow';
export const VERY_WIDE = 'bverywide';

export interface Parts {
  /** The rest of its id, where it isn't counted with the others. */
  readonly key?: string;
  readonly alternate?: Alternate;
  readonly panel?: Panel;
  /** What an image shows at breakpoints. */
  readonly pictures?: Readonly<Record<string, string>>;
  readonly name?: string;
  readonly text?: string;
  readonly attributes?: Readonly<Record<string, string>>;
  readonly shared?: readonly string[];
  readonly base?: Values;
  readonly middle?: Values;
  readonly narrow?: Values;
  readonly veryWide?: Values;
}

/** Values as a person would write them, shorthands and all, checked and expanded. */
function expand(values: Values): Values {
  return Object.assign(
    {},
    ...Object.entries(values).map(([property, value]) => {
      const checked = checkValue(property, value);
      if (!checked.ok) throw new Error(`Demo: ${checked.message}`);
      return checked.declarations;
    }),
  ) as Values;
}

export function styleSet(parts: Parts): StyleSet {
  const at: [At, Values | undefined][] = [
    ['base', parts.base],
    [VERY_WIDE, parts.veryWide],
    [MIDDLE, parts.middle],
    [NARROW, parts.narrow],
  ];
  return Object.fromEntries(at.flatMap(([where, values]) => (values ? [[where, expand(values)]] : [])));
}

export interface Sprig {
  readonly tag: string;
  readonly parts: Parts;
  readonly children: readonly Sprig[];
  readonly use?: Use;
  readonly list?: List;
}

/** A tree that is made once and used on pages. */
export const part = (id: string, name: string, top: Sprig): Page => ({
  ...{ id: `m${id}`, name, slug: `m${id}` },
  ...plant(id, el('body', { name: 'Around' }, [top])),
});

/** What a use says of one element of its part. */
export interface Other extends Pick<Parts, 'text' | 'attributes' | 'base' | 'middle' | 'narrow' | 'veryWide'> {
  readonly hidden?: true;
}

/** A use of a part. @param says of elements of the part, by name */
export function use(of: Page, parts: Parts, says: Readonly<Record<string, Other>> = {}): Sprig {
  const sayings = Object.entries(says).map(([name, { text, attributes, hidden, ...values }]) => {
    const element = Object.values(of.elements).find((one) => one.name === name);
    if (!element) throw new Error(`Demo: part ${of.name} has no ${name}.`);
    const saying: Saying = {
      styles: styleSet(values),
      ...(attributes && { attributes }),
      ...(text !== undefined && { texts: [text] }),
      ...(hidden && { hidden }),
    };
    return [element.id, saying] as const;
  });
  return { tag: topOf(of)!.tag, parts, children: [], use: { part: of.id, says: Object.fromEntries(sayings) } };
}

/** One element with its children: `el('nav', { name: 'Menu' }, [...])`. */
export function el(tag: string, parts: Parts = {}, children: readonly Sprig[] = []): Sprig {
  return { tag, parts, children };
}

/** An element that shows an item for each row of a table. */
export const list = (tag: string, parts: Parts, rows: List): Sprig => ({ tag, parts, children: [], list: rows });

/** A tree of sprigs as the elements of a page, with ids counted from the page's key. */
export function plant(key: string, root: Sprig): { root: string; elements: Record<string, PageElement> } {
  const elements: Record<string, PageElement> = {};
  let count = 0;
  const put = ({ tag, parts, children, use: of, list: rows }: Sprig): string => {
    const id = `e${key}${parts.key ?? count++}`;
    elements[id] = {
      id,
      tag,
      name: parts.name ?? parts.text?.slice(0, 40) ?? tag,
      attributes: parts.attributes ?? {},
      children: [],
      shared: parts.shared ?? [],
      styles: styleSet(parts),
      ...(parts.alternate && { alternate: parts.alternate }),
      ...(parts.panel && { panel: parts.panel }),
      ...(parts.pictures && { pictures: parts.pictures }),
      ...(of && { use: of }),
      ...(rows && { list: rows }),
    };
    elements[id] = { ...elements[id], children: [...textChildren(parts.text), ...children.map(put)] };
    return id;
  };
  return { root: put(root), elements };
}
