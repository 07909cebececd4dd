import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import { pageOf, subtreeOf } from '../document/tree';
import type { Shape } from '../document/trees';
import { shapeOf, treesProblem } from '../document/trees';
import { whyNotInto } from '../document/room';
import { EditError } from './edit';
import type { ListPlace } from './list-place';
import { indexIn } from './list-place';

/** @throws EditError when a tree can't stand in the parent, for itself or for anything in it */
export function requireRoom(page: Page, parentId: string, shape: Shape): void {
  const why = whyNotInto(page, parentId, shape);
  if (why) throw new EditError(why);
}

/** Where among the parent's children a place is. @throws EditError when there are fewer and no neighbour is named */
export function childIndex(parent: PageElement, children: readonly string[], place: ListPlace): number {
  if (place.after === undefined && place.index !== undefined && place.index > children.length)
    throw new EditError(`${parent.name} has only ${children.length} elements.`);
  return indexIn(children, place);
}

/** The project with one element replaced by another version of it. */
export function withElement(project: Project, page: Page, element: PageElement): Project {
  return withElements(project, page, { ...page.elements, [element.id]: element });
}

function withElements(project: Project, page: Page, elements: Page['elements']): Project {
  return { ...project, pages: project.pages.map((one) => (one === page ? { ...page, elements } : one)) };
}

/** The page with a subtree put in; `elements[0]` is its top. */
export function withSubtree(
  project: Project,
  pageId: string,
  parentId: string,
  index: number,
  elements: readonly PageElement[],
): Project {
  const page = pageOf(project, pageId)!;
  const parent = page.elements[parentId]!;
  const added = { ...page.elements };
  for (const element of elements) added[element.id] = element;
  added[parentId] = { ...parent, children: parent.children.toSpliced(index, 0, elements[0]!.id) };
  return withElements(project, page, added);
}

export function withoutSubtree(project: Project, pageId: string, parentId: string, id: string): Project {
  const page = pageOf(project, pageId)!;
  const left = { ...page.elements };
  for (const element of subtreeOf(page, id)) delete left[element.id];
  const parent = page.elements[parentId]!;
  left[parentId] = { ...parent, children: parent.children.filter((child) => child !== id) };
  return withElements(project, page, left);
}

/** @throws EditError when elements aren't one tree, are there already, or can't stand in the parent */
export function requireSubtree(project: Project, page: Page, parentId: string, elements: readonly PageElement[]): void {
  const [top] = elements;
  const problem = treesProblem(elements, [top!.id]);
  if (problem) throw new EditError(`The elements to insert are not one tree: ${problem}`);
  if (elements.some(({ id }) => project.pages.some((one) => id in one.elements)))
    throw new EditError('An element with this id is there already.');
  requireRoom(page, parentId, shapeOf(Object.fromEntries(elements.map((one) => [one.id, one])), top!.id));
}
