import { z } from 'zod';
import { childIds } from '../document/content';
import { withChild, withoutChild } from '../document/content-place';
import { elementIdSchema } from '../document/element';
import { ancestorsOf, parentOf, subtreeOf } from '../document/tree';
import { shapeOf } from '../document/trees';
import type { EditKind } from './edit';
import { changesElements, EditError, laterWins, nameOf, requireElement } from './edit';
import { structureFootprint } from './footprint';
import { anchored } from './list-place';
import { contentPlaceFields, contentPlaceOf, placeIn, requireRoom } from './structure';

const schema = z.strictObject({
  type: z.literal('moveElement'),
  node: elementIdSchema,
  parent: elementIdSchema,
  /** Its place among the parent's elements, counted without the element itself. */
  ...contentPlaceFields,
});
type MoveElement = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly moveElement: MoveElement;
  }
}

/** Moves an element among its siblings or into another parent of the same page, at all widths. */
export const moveElement: EditKind<MoveElement> = {
  schema,
  ...changesElements<MoveElement>((writer, edit) => {
    const { node, parent: parentId } = edit;
    const { page, element } = writer.require(node);
    const from = parentOf(page, node);
    if (!from) throw new EditError("A page's body can't be moved.");
    if (element.locked) throw new EditError(`${element.name} is locked. Unlock it to move it.`);
    const parent = page.elements[parentId];
    if (!parent) throw new EditError('The element to move into is not on this page.');
    if (parentId === node || ancestorsOf(page, parentId).some((ancestor) => ancestor.id === node))
      throw new EditError(`${element.name} can't be moved into itself.`);
    if (from.id !== parentId) requireRoom(page, parentId, shapeOf(page.elements, node));
    const others = withoutChild(parent.children, node);
    const { index, offset } = placeIn(parent, childIds({ children: others }), edit);
    const back = contentPlaceOf(from, node);
    if (from.id !== parentId) writer.put(page.id, { ...from, children: withoutChild(from.children, node) });
    writer.put(page.id, { ...parent, children: withChild(others, index, node, offset) });
    return { type: 'moveElement', node, parent: from.id, ...back };
  }),
  footprint(_, after, { node }) {
    const { page } = requireElement(after, node);
    return structureFootprint(
      page.id,
      subtreeOf(page, node).map((element) => element.id),
    );
  },
  describe: (project, { node, parent }) => `Move ${nameOf(project, node)} in ${nameOf(project, parent)}`,
  merge: laterWins('node'),
  anchor: (writer, { node, parent, ...edit }) => {
    const into = writer.holding(parent)?.elements[parent];
    const others = into ? childIds(into).filter((child) => child !== node) : [];
    return { node, parent, ...anchored(others, edit) };
  },
};
