import { z } from 'zod';
import type { PageElement } from '../document/element';
import { elementIdSchema, elementSchema } from '../document/element';
import { LIMITS, pageIdSchema } from '../document/project';
import type { EditKind } from './edit';
import { EditError, requirePage } from './edit';
import { structureFootprint } from './footprint';
import { requireIndex, requireRoom, requireSubtree, withSubtree } from './structure';

const schema = z.strictObject({
  type: z.literal('insertElement'),
  page: pageIdSchema,
  parent: elementIdSchema,
  index: z.number().int().min(0),
  /** The element and all below it; the first is the top. */
  elements: z.array(elementSchema).min(1).max(LIMITS.elements),
});
export type InsertElement = z.infer<typeof schema>;

export const insertElement: EditKind<InsertElement> = {
  schema,
  apply(project, { page: pageId, parent: parentId, index, elements }) {
    const page = requirePage(project, pageId);
    const parent = page.elements[parentId];
    if (!parent) throw new EditError('The element to insert into has been removed.');
    const subtree = elements as readonly PageElement[];
    requireRoom(page, parent, subtree[0]!.tag);
    requireIndex(parent, index);
    requireSubtree(project, page, subtree);
    return {
      document: withSubtree(project, pageId, parentId, index, subtree),
      inverse: { type: 'removeElement', node: subtree[0]!.id },
    };
  },
  footprint: (_, __, { page, elements }) =>
    structureFootprint(
      page,
      elements.map((element) => element.id),
    ),
  describe: (_, { elements }) => `Insert ${elements[0]!.name}`,
};
