import { z } from 'zod';
import { withOwnSets } from '../document/alternates';
import { childIds, isWritten, renamedChildren } from '../document/content';
import type { PageElement } from '../document/element';
import { elementIdSchema } from '../document/element';
import { freshHtmlIds, htmlIdsOn, withHtmlIds } from '../document/html-ids';
import { parentOf, subtreeOf } from '../document/tree';
import type { EditKind } from './edit';
import { changesElements, EditError, nameOf, requireElement } from './edit';
import { structureFootprint } from './footprint';
import { requireSubtree } from './structure';

const schema = z.strictObject({
  type: z.literal('duplicateElement'),
  node: elementIdSchema,
  /** The new id for the element and for each below it. */
  ids: z.record(elementIdSchema, elementIdSchema),
});
type DuplicateElement = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly duplicateElement: DuplicateElement;
  }
}

/** Puts a copy right after the element. The copy carries all overrides along and is independent from then on. */
export const duplicateElement: EditKind<DuplicateElement> = {
  schema,
  ...changesElements<DuplicateElement>((writer, { node, ids }) => {
    const { page } = writer.require(node);
    const parent = parentOf(page, node);
    if (!parent) throw new EditError("A page's body can't be duplicated.");
    const renamed = (id: string) => {
      const fresh = ids[id];
      if (!fresh) throw new EditError('The element has changed since; duplicate it again.');
      return fresh;
    };
    const htmlIds = freshHtmlIds(subtreeOf(page, node), htmlIdsOn(page));
    const copied = subtreeOf(page, node).map((element): PageElement => ({
      ...element,
      id: renamed(element.id),
      children: renamedChildren(element.children, renamed),
      attributes: withHtmlIds(element.attributes, htmlIds),
    }));
    const copies = withOwnSets(copied);
    requireSubtree(writer, page, parent.id, copies);
    const index = childIds(parent).indexOf(node) + 1;
    writer.insert(page.id, parent.id, { index, ...(isWritten(parent) && { offset: 0 }) }, copies);
    return { type: 'removeElement', node: copies[0]!.id };
  }),
  footprint(_, after, { node, ids }) {
    return structureFootprint(requireElement(after, node).page.id, Object.values(ids));
  },
  describe: (project, { node }) => `Duplicate ${nameOf(project, node)}`,
};
