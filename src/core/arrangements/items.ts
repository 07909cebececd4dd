import type { Bind, List } from '../document/list';
import type { PageElement } from '../document/element';
import { childIds } from '../document/content';
import { newPart } from '../document/new-part';
import { listsOf, partNamed, topOf, usesOf } from '../document/parts';
import type { Page, Project } from '../document/project';
import { freePageName } from '../plans/new-page';
import type { Work } from './work';

/** An item of what is arranged, by the owner that its values are written on, and what it is made of. */
export interface Item {
  readonly id: string;
  /** Elements right in it, in reading order, by the owner of their values. */
  readonly inside: readonly { readonly owner: string; readonly element: PageElement }[];
}

/**
 * The items that something holds. Rows of a list are one: the list then has an item of its own, a part that no other list shows and
 * that is used nowhere, so that nothing else is arranged along with it.
 */
export function itemsOf(work: Work, id: string): readonly Item[] {
  const { list } = work.element(id);
  if (list) return [...fixedItems(work, id), ownItem(work, id, list)];
  return fixedItems(work, id);
}

function fixedItems(work: Work, id: string): readonly Item[] {
  const rows = `${id}.e0row`;
  return work
    .children(id)
    .filter((one) => !one.startsWith(rows))
    .map((one) => ({ id: one, inside: work.children(one).map((child) => ({ owner: child, element: work.element(child) })) }));
}

function ownItem(work: Work, id: string, list: List): Item {
  const lists = listsOf(work.project, list.part);
  const part = partNamed(work.project, list.part)!;
  const isOwn = lists.length === 1 && usesOf(work.project, list.part).length === 0;
  const made = isOwn ? part : wrapped(work, id, list, part);
  const tree = partNamed(work.project, made.id)!;
  const top = topOf(tree)!;
  return { id: top.id, inside: childIds(top).map((child) => ({ owner: child, element: tree.elements[child]! })) };
}

/** A part that uses the item and nothing else, as what the list shows. */
function wrapped(work: Work, id: string, list: List, part: Page): Page {
  const inner = topOf(part)!;
  const key = work.newId();
  const bare = { attributes: {}, shared: [], styles: {} };
  const top: PageElement = {
    ...{ ...bare, id: `e${work.newId()}`, tag: inner.tag, name: part.name, children: [], use: { part: part.id, says: {} } },
  };
  const name = freePageName(work.project.parts, `${part.name} in ${work.element(id).name}`.slice(0, 70));
  const made = newPart(`m${key}`, name, [top], work.newId);
  const binds = list.binds.map(({ place, ...bind }): Bind => ({ ...bind, place: place === '' ? '' : `${top.id}.${place}` }));
  work.do({ type: 'addPart', part: made }, { type: 'setList', node: id, list: { ...list, part: made.id, binds } });
  work.notes.push(`The rows get a part of their own, ${name}: other uses of ${part.name} stay as they are.`);
  return made;
}

const CANT_HOLD = new Set(['table', 'thead', 'tbody', 'tfoot', 'tr', 'select', 'body', 'dl']);

/** Why what an element holds can't be laid out as items; undefined where it can. */
export function whyNoItems(_: Project, tree: Page, id: string): string | undefined {
  const element = tree.elements[id]!;
  if (CANT_HOLD.has(element.tag)) return `${element.name} (<${element.tag}>) holds no items that could be laid out otherwise.`;
  return childIds(element).length < 2 ? `${element.name} holds fewer than two items.` : undefined;
}

/** Takes away what stretches or places an item in a row or grid, so that it stands below the one before. */
export const FREE_ITEM: Readonly<Record<string, string>> = {
  ...{ width: 'auto', height: 'auto', 'max-width': 'none', 'flex-grow': '0', 'flex-basis': 'auto' },
  ...{ 'grid-column-start': 'auto', 'grid-column-end': 'auto', 'grid-row-start': 'auto', 'grid-row-end': 'auto' },
};

/** Values that let items stand one below the other, however they stood. */
export const IN_ONE_COLUMN: Readonly<Record<string, string>> = {
  ...{ 'grid-template-columns': 'minmax(0, 1fr)', 'flex-direction': 'column', 'flex-wrap': 'nowrap', 'align-items': 'stretch' },
};
