import type { PageElement } from '../document/element';
import type { Box } from '../document/pseudo';
import { readPseudo, splitPseudo } from '../document/pseudo';
import type { Page } from '../document/project';
import { parentOf } from '../document/tree';

/** `<html>`: on no page's tree, since nothing is written on it here, but the parent of every body in the browser. */
export const HTML: PageElement = {
  id: 'html',
  tag: 'html',
  name: 'the page',
  attributes: {},
  children: [],
  shared: [],
  styles: {},
};

const boxes = new WeakMap<PageElement, Map<Box, PageElement>>();

/** A box that an element has besides its own, as an element inside it: "e12::before". Always the same for the same element. */
function boxOf(element: PageElement, box: Box): PageElement {
  let known = boxes.get(element);
  if (!known) boxes.set(element, (known = new Map()));
  let made = known.get(box);
  if (!made) known.set(box, (made = { ...HTML, id: `${element.id}::${box}`, tag: `::${box}`, name: element.name }));
  return made;
}

/** An element of the page, a box of one ("e12::before"), or `<html>`. */
export function elementOf(page: Page, node: string): PageElement {
  const own = page.elements[node];
  if (own) return own;
  const { id, pseudo } = splitPseudo(node);
  const element = id === HTML.id ? HTML : page.elements[id];
  if (!element) throw new Error(`There is no element ${id} on "${page.name}".`);
  const { box } = readPseudo(pseudo);
  return box ? boxOf(element, box) : element;
}

/** The element from which values are inherited: the parent, above the body `<html>`, above that none; of a box its element. */
export function aboveOf(page: Page, node: string): PageElement | undefined {
  if (node === HTML.id) return undefined;
  const { id, pseudo } = splitPseudo(node);
  return pseudo === '' ? (parentOf(page, id) ?? HTML) : page.elements[id];
}
