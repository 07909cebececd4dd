import type { PageElement } from '../document/element';
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

/** An element of the page, or `<html>`. */
export function elementOf(page: Page, id: string): PageElement {
  const element = id === HTML.id ? HTML : page.elements[id];
  if (!element) throw new Error(`There is no element ${id} on "${page.name}".`);
  return element;
}

/** The element from which values are inherited: the parent, above the body `<html>`, above that none. */
export function aboveOf(page: Page, id: string): PageElement | undefined {
  return id === HTML.id ? undefined : (parentOf(page, id) ?? HTML);
}
