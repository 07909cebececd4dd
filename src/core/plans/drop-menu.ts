import { renamedChildren } from '../document/content';
import type { PageElement } from '../document/element';
import { keptTree } from '../document/expand';
import type { Page } from '../document/project';
import { parentOf, subtreeOf } from '../document/tree';
import type { Edit } from '../edits/edit';

/** Copies of elements with ids of their own, and without HTML ids, which stand once. */
function copyOf(tree: Page, id: string, newId: () => string): PageElement[] {
  const all = subtreeOf(keptTree(tree), id);
  const ids = new Map(all.map((one) => [one.id, `e${newId()}`]));
  return all.map((one) => {
    const { attributes, drops: _, alternate: __, ...rest } = one;
    const { id: ___, ...others } = attributes;
    return {
      ...rest,
      id: ids.get(one.id)!,
      attributes: others,
      children: renamedChildren(one.children, (child) => ids.get(child)!),
    };
  });
}

export interface Menu {
  readonly edits: readonly Edit[];
  readonly copies: ReadonlyMap<string, string>;
  readonly more: string;
  readonly panel: string;
}

/** A button at the end of the row, and a menu beside the row with copies of the items. */
export function menuFor(tree: Page, row: PageElement, items: readonly string[], newId: () => string): Menu {
  const plain = { shared: [], styles: {}, attributes: {} };
  const isList = row.tag === 'ul' || row.tag === 'ol' || row.tag === 'menu';
  const copies = items.map((id) => copyOf(tree, id, newId));
  const tops = copies.map((one) => one[0]!.id);
  const [button, around, panel, list] = [`e${newId()}`, `e${newId()}`, `e${newId()}`, `e${newId()}`];
  const opener: PageElement = {
    ...plain,
    id: button,
    tag: 'button',
    name: `More of ${row.name}`.slice(0, 60),
    attributes: { type: 'button' },
    children: [{ text: 'More' }],
  };
  const end: readonly PageElement[] = isList
    ? [{ ...plain, id: around, tag: 'li', name: 'More', children: [button] }, opener]
    : [opener];
  const inside: readonly PageElement[] = isList
    ? [
        {
          ...plain,
          id: list,
          tag: row.tag,
          name: `${row.name} in the menu`.slice(0, 60),
          styles: { base: LIST },
          children: tops,
        },
        ...copies.flat(),
      ]
    : copies.flat();
  const menu: PageElement = {
    ...plain,
    id: panel,
    tag: 'div',
    name: `Menu of ${row.name}`.slice(0, 60),
    children: isList ? [list] : tops,
  };
  const parent = parentOf(tree, row.id)!;
  return {
    edits: [
      { type: 'insertElement', page: tree.id, parent: row.id, index: row.children.length, elements: end },
      {
        type: 'insertElement',
        page: tree.id,
        parent: parent.id,
        index: parent.children.indexOf(row.id) + 1,
        elements: [menu, ...inside],
      },
    ],
    copies: new Map(items.map((id, i) => [id, tops[i]!])),
    more: end[0]!.id,
    panel,
  };
}

const LIST = {
  'list-style-type': 'none',
  ...Object.fromEntries(
    ['top', 'right', 'bottom', 'left'].flatMap((side) => [
      [`margin-${side}`, '0'],
      [`padding-${side}`, '0'],
    ]),
  ),
};

/** How the way to the menu is shown where something has dropped. */
export const showsAs = ({ tag }: PageElement): string => (tag === 'li' ? 'list-item' : 'inline-block');
