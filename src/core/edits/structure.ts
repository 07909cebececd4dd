import type { PageElement } from '../document/element';
import { whyNotInside } from '../document/html';
import type { Page, Project } from '../document/project';
import { LIMITS, treesProblem } from '../document/project';
import { ancestorsOf, pageOf, subtreeOf } from '../document/tree';
import { EditError } from './edit';

/** @throws EditError when an element of `tag` can't stand in `parent` (HTML content models, depth). */
export function requireRoom(page: Page, parent: PageElement, tag: string): void {
  const ancestors = ancestorsOf(page, parent.id).map((element) => element.tag);
  const why = whyNotInside(tag, parent.tag, ancestors);
  if (why) throw new EditError(why);
  if (parent.text) throw new EditError(`${parent.name} holds a text; an element can't stand beside it.`);
  if (ancestors.length + 2 > LIMITS.depth) throw new EditError(`Elements are nested deeper than ${LIMITS.depth}.`);
}

export function requireIndex(parent: PageElement, index: number): void {
  if (index > parent.children.length)
    throw new EditError(`${parent.name} has only ${parent.children.length} elements.`);
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

/** @throws EditError when a subtree to put in isn't whole, clashes with ids on any page, or names what isn't there. */
export function requireSubtree(project: Project, page: Page, elements: readonly PageElement[]): void {
  if (Object.keys(page.elements).length + elements.length > LIMITS.elements)
    throw new EditError(`A page has at most ${LIMITS.elements} elements.`);
  const problem = treesProblem(
    elements,
    elements.slice(0, 1).map(({ id }) => id),
  );
  if (problem) throw new EditError(`The elements to insert are not one tree: ${problem}`);
  if (elements.some(({ id }) => project.pages.some((one) => id in one.elements)))
    throw new EditError('An element with this id is there already.');
  const pictures = new Set(project.pictures.map(({ id }) => `picture:${id}`));
  const breakpoints = new Set(['base', ...project.breakpoints.map((breakpoint) => breakpoint.id)]);
  for (const element of elements) {
    if (Object.keys(element.styles).some((at) => !breakpoints.has(at)))
      throw new EditError(`"${element.name}" has values under a breakpoint that isn't there.`);
    if (element.shared.some((id) => !project.shared.some((style) => style.id === id)))
      throw new EditError(`"${element.name}" carries a shared style that isn't there.`);
    const source = element.attributes.src;
    if (source && !pictures.has(source)) throw new EditError(`"${element.name}" shows a picture that isn't there.`);
  }
}
