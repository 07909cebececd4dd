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

/** All trees of elements: pages, then parts. */
export const treesOf = ({ pages, parts }: Project): readonly Page[] => (parts.length === 0 ? pages : [...pages, ...parts]);

const sameId = (id: string) => (tree: Page) => tree.id === id;

/** The page, or the part, of that id. */
export function pageOf({ pages, parts }: Project, id: string): Page | undefined {
  return pages.find(sameId(id)) ?? parts.find(sameId(id));
}

/** The page, or the part, that holds the element. */
export function pageHolding({ pages, parts }: Project, elementId: string): Page | undefined {
  const holds = ({ elements }: Page) => elementId in elements;
  return pages.find(holds) ?? parts.find(holds);
}

/** The same project with other trees in place of some. */
export function withTrees<P extends Project>(project: P, change: (tree: Page) => Page): P {
  const [pages, parts] = [project.pages.map(change), project.parts.map(change)];
  const other = (trees: readonly Page[], before: readonly Page[]) => trees.some((tree, i) => tree !== before[i]);
  if (!other(pages, project.pages) && !other(parts, project.parts)) return project;
  return { ...project, ...(other(pages, project.pages) && { pages }), ...(other(parts, project.parts) && { parts }) };
}
