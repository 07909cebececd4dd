import { z } from 'zod';
import { childIds } from '../document/content';
import { elementIdSchema, elementSchema } from '../document/element';
import { LIMITS } from '../document/limits';
import { treeIdSchema } from '../document/project';
import { listOf } from '../text';
import type { EditKind } from './edit';
import { changesElements, EditError } from './edit';
import { structureFootprint } from './footprint';
import { anchored } from './list-place';
import { contentPlaceFields, placeIn, requireSubtree } from './structure';

const schema = z.strictObject({
  type: z.literal('insertElement'),
  page: treeIdSchema,
  parent: elementIdSchema,
  ...contentPlaceFields,
  /** The element and all below it; the first is the top. */
  elements: listOf(elementSchema, LIMITS.elements, `A page has at most ${LIMITS.elements} elements.`)
    .refine((elements) => elements.length > 0, 'There is no element to insert.')
    .readonly(),
});
type InsertElement = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly insertElement: InsertElement;
  }
}

export const insertElement: EditKind<InsertElement> = {
  schema,
  ...changesElements<InsertElement>((writer, { page: pageId, parent: parentId, elements, ...place }) => {
    const page = writer.page(pageId);
    if (!page) throw new EditError('The page this edit is about has been removed.');
    const parent = page.elements[parentId];
    if (!parent) throw new EditError('The element to insert into has been removed.');
    requireSubtree(writer, page, parentId, elements);
    writer.insert(pageId, parentId, placeIn(parent, childIds(parent), place), elements);
    return { type: 'removeElement', node: elements[0]!.id };
  }),
  footprint: (_, __, { page, elements }) =>
    structureFootprint(
      page,
      elements.map(({ id }) => id),
    ),
  describe: (_, { elements }) => `Insert ${elements[0]!.name}`,
  anchor(writer, edit) {
    const parent = writer.page(edit.page)?.elements[edit.parent];
    return anchored(parent ? childIds(parent) : [], edit);
  },
};
