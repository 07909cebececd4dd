import { z } from 'zod';
import { childIds } from '../document/content';
import type { ContentPlace } from '../document/content-place';
import { offsetOf } from '../document/content-place';
import type { PageElement } from '../document/element';
import type { Page } from '../document/project';
import type { Shape } from '../document/trees';
import { shapeOf, treesProblem } from '../document/trees';
import { whyNotInto } from '../document/room';
import type { DocumentWriter } from './document-writer';
import { EditError } from './edit';
import type { ListPlace } from './list-place';
import { indexIn, placeFields, placeOf } from './list-place';

/** @throws EditError when a tree can't stand in the parent, for itself or for anything in it */
export function requireRoom(page: Page, parentId: string, shape: Shape): void {
  const why = whyNotInto(page, parentId, shape);
  if (why) throw new EditError(why);
}

/** The fields of a place in an element, for the schema of an edit. */
export const contentPlaceFields = {
  ...placeFields,
  offset: z.number().int('A place in a text is a whole number.').min(0).optional(),
};

/** Where in an element a place is. @throws EditError when it has fewer elements and no neighbour is named */
export function placeIn(
  parent: PageElement,
  ids: readonly string[],
  place: ListPlace & { readonly offset?: number | undefined },
): ContentPlace {
  if (place.after === undefined && place.index !== undefined && place.index > ids.length)
    throw new EditError(`${parent.name} has only ${ids.length} elements.`);
  return { index: indexIn(ids, place), offset: place.offset };
}

/** The place of an element in its parent, so that it can be put there again. */
export function contentPlaceOf(parent: PageElement, id: string) {
  const offset = offsetOf(parent.children, id);
  return { ...placeOf(childIds(parent), id), ...(offset !== undefined && { offset }) };
}

/** @throws EditError when elements aren't one tree, are there already, or can't stand in the parent */
export function requireSubtree(writer: DocumentWriter, page: Page, parentId: string, elements: readonly PageElement[]): void {
  const [top] = elements;
  const problem = treesProblem(elements, [top!.id]);
  if (problem) throw new EditError(`The elements to insert are not one tree: ${problem}`);
  if (elements.some(({ id }) => writer.holding(id))) throw new EditError('An element with this id is there already.');
  requireRoom(page, parentId, shapeOf(Object.fromEntries(elements.map((one) => [one.id, one])), top!.id));
}
