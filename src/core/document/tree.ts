import { childIds } from './content';
import type { PageElement } from './element';
import type { Page, Project } from './project';

const parents = new WeakMap<Page['elements'], ReadonlyMap<string, string>>();

/** Child id to parent id, remembered per version of the page. */
export function parentsOf(page: Page): ReadonlyMap<string, string> {
  let map = parents.get(page.elements);
  if (!map) {
    const fresh = new Map<string, string>();
    for (const element of Object.values(page.elements)) for (const child of childIds(element)) fresh.set(child, element.id);
    parents.set(page.elements, fresh);
    map = fresh;
  }
  return map;
}

/** Says what the parents of a page's elements are, for whoever keeps count of them. */
export function rememberParents(elements: Page['elements'], map: ReadonlyMap<string, string>): void {
  parents.set(elements, map);
}

export function parentOf(page: Page, id: string): PageElement | undefined {
  const parent = parentsOf(page).get(id);
  return parent === undefined ? undefined : page.elements[parent];
}

/** From the parent up to the body. */
export function ancestorsOf(page: Page, id: string): PageElement[] {
  const result: PageElement[] = [];
  for (let at = parentOf(page, id); at; at = parentOf(page, at.id)) result.push(at);
  return result;
}

/** The element and all below it, in reading order. */
export function subtreeOf(page: Page, id: string): PageElement[] {
  const element = page.elements[id];
  return element ? [element, ...childIds(element).flatMap((child) => subtreeOf(page, child))] : [];
}

export function pageOf(project: Project, id: string): Page | undefined {
  return project.pages.find((page) => page.id === id);
}

/** The page that holds the element. */
export function pageHolding(project: Project, elementId: string): Page | undefined {
  return project.pages.find((page) => elementId in page.elements);
}
