import { z } from 'zod';
import { elementIdSchema } from '../document/element';
import { ancestorsOf, parentOf, subtreeOf } from '../document/tree';
import { shapeOf } from '../document/trees';
import type { EditKind } from './edit';
import { changesElements, EditError, laterWins, nameOf, requireElement } from './edit';
import { structureFootprint } from './footprint';
import { anchored, placeFields, placeOf } from './list-place';
import { childIndex, requireRoom } from './structure';

const schema = z.strictObject({
  type: z.literal('moveElement'),
  node: elementIdSchema,
  parent: elementIdSchema,
  /** Its place among the parent's elements, counted without the element itself. */
  ...placeFields,
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
    const others = parent.children.filter((child) => child !== node);
    const index = childIndex(parent, others, edit);
    const back = placeOf(from.children, node);
    if (from.id !== parentId) writer.put(page.id, { ...from, children: from.children.filter((child) => child !== node) });
    writer.put(page.id, { ...parent, children: others.toSpliced(index, 0, node) });
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
    const children = writer.holding(parent)?.elements[parent]?.children ?? [];
    return {
      node,
      parent,
      ...anchored(
        children.filter((child) => child !== node),
        edit,
      ),
    };
  },
};
