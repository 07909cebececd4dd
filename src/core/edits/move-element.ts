import { z } from 'zod';
import { elementIdSchema } from '../document/element';
import { ancestorsOf, pageOf, parentOf, subtreeOf } from '../document/tree';
import type { EditKind } from './edit';
import { EditError, nameOf, requireElement } from './edit';
import { structureFootprint } from './footprint';
import { requireIndex, requireRoom, withElement } from './structure';

const schema = z.strictObject({
  type: z.literal('moveElement'),
  node: elementIdSchema,
  parent: elementIdSchema,
  /** Its place among the parent's elements, counted without the element itself. */
  index: z.number().int().min(0),
});
export type MoveElement = z.infer<typeof schema>;

/** Moves an element among its siblings or into another parent of the same page, at all widths. */
export const moveElement: EditKind<MoveElement> = {
  schema,
  apply(project, { node, parent: parentId, index }) {
    const { page, element } = requireElement(project, node);
    const from = parentOf(page, node);
    if (!from) throw new EditError("A page's body can't be moved.");
    if (element.locked) throw new EditError(`${element.name} is locked. Unlock it to move it.`);
    const parent = page.elements[parentId];
    if (!parent) throw new EditError('The element to move into is not on this page.');
    if (parentId === node || ancestorsOf(page, parentId).some((ancestor) => ancestor.id === node))
      throw new EditError(`${element.name} can't be moved into itself.`);
    if (from.id !== parentId) requireRoom(page, parent, element.tag);
    requireIndex({ ...parent, children: parent.children.filter((child) => child !== node) }, index);
    const left = { ...from, children: from.children.filter((child) => child !== node) };
    const target = from.id === parentId ? left : parent;
    const without = withElement(project, page, left);
    const document = withElement(without, pageOf(without, page.id)!, {
      ...target,
      children: target.children.toSpliced(index, 0, node),
    });
    return { document, inverse: { type: 'moveElement', node, parent: from.id, index: from.children.indexOf(node) } };
  },
  footprint(_, after, { node }) {
    const { page } = requireElement(after, node);
    return structureFootprint(
      page.id,
      subtreeOf(page, node).map((element) => element.id),
    );
  },
  describe: (project, { node, parent }) => `Move ${nameOf(project, node)} in ${nameOf(project, parent)}`,
};
