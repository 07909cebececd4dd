import type { PageElement } from '../document/element';
import type { Page } from '../document/project';
import type { Shape } from '../document/trees';
import { shapeOf, treesProblem } from '../document/trees';
import { whyNotInto } from '../document/room';
import type { DocumentWriter } from './document-writer';
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

/** @throws EditError when elements aren't one tree, are there already, or can't stand in the parent */
export function requireSubtree(writer: DocumentWriter, page: Page, parentId: string, elements: readonly PageElement[]): void {
  const [top] = elements;
  const problem = treesProblem(elements, [top!.id]);
  if (problem) throw new EditError(`The elements to insert are not one tree: ${problem}`);
  if (elements.some(({ id }) => writer.holding(id))) throw new EditError('An element with this id is there already.');
  requireRoom(page, parentId, shapeOf(Object.fromEntries(elements.map((one) => [one.id, one])), top!.id));
}
