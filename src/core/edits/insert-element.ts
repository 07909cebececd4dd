import { z } from 'zod';
import { elementIdSchema, elementSchema } from '../document/element';
import { LIMITS } from '../document/limits';
import { pageIdSchema } from '../document/project';
import { pageOf } from '../document/tree';
import { listOf } from '../text';
import type { EditKind } from './edit';
import { EditError, requirePage } from './edit';
import { structureFootprint } from './footprint';
import { anchored, placeFields } from './list-place';
import { childIndex, requireSubtree, withSubtree } from './structure';

const schema = z.strictObject({
  type: z.literal('insertElement'),
  page: pageIdSchema,
  parent: elementIdSchema,
  ...placeFields,
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
  apply(project, { page: pageId, parent: parentId, elements, ...place }) {
    const page = requirePage(project, pageId);
    const parent = page.elements[parentId];
    if (!parent) throw new EditError('The element to insert into has been removed.');
    requireSubtree(project, page, parentId, elements);
    const index = childIndex(parent, parent.children, place);
    return {
      document: withSubtree(project, pageId, parentId, index, elements),
      inverse: { type: 'removeElement', node: elements[0]!.id },
    };
  },
  footprint: (_, __, { page, elements }) =>
    structureFootprint(
      page,
      elements.map(({ id }) => id),
    ),
  describe: (_, { elements }) => `Insert ${elements[0]!.name}`,
  anchor: (project, edit) => anchored(pageOf(project, edit.page)?.elements[edit.parent]?.children ?? [], edit),
};
