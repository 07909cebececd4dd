import { z } from 'zod';
import { elementIdSchema } from '../document/element';
import type { Project } from '../document/project';
import { ancestorsOf, pageHolding, pageOf, parentOf, subtreeOf } from '../document/tree';
import { shapeOf } from '../document/trees';
import type { EditKind } from './edit';
import { EditError, laterWins, nameOf, requireElement } from './edit';
import { structureFootprint } from './footprint';
import { anchored, placeFields, placeOf } from './list-place';
import { childIndex, requireRoom, withElement } from './structure';

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

const othersIn = (project: Project, { node, parent }: MoveElement) =>
  pageHolding(project, parent)?.elements[parent]?.children.filter((child) => child !== node) ?? [];

/** Moves an element among its siblings or into another parent of the same page, at all widths. */
export const moveElement: EditKind<MoveElement> = {
  schema,
  apply(project, edit) {
    const { node, parent: parentId } = edit;
    const { page, element } = requireElement(project, node);
    const from = parentOf(page, node);
    if (!from) throw new EditError("A page's body can't be moved.");
    if (element.locked) throw new EditError(`${element.name} is locked. Unlock it to move it.`);
    const parent = page.elements[parentId];
    if (!parent) throw new EditError('The element to move into is not on this page.');
    if (parentId === node || ancestorsOf(page, parentId).some((ancestor) => ancestor.id === node))
      throw new EditError(`${element.name} can't be moved into itself.`);
    if (from.id !== parentId) requireRoom(page, parentId, shapeOf(page.elements, node));
    const others = othersIn(project, edit);
    const index = childIndex(parent, others, edit);
    const left = { ...from, children: from.children.filter((child) => child !== node) };
    const without = withElement(project, page, left);
    const document = withElement(without, pageOf(without, page.id)!, {
      ...(from.id === parentId ? left : parent),
      children: others.toSpliced(index, 0, node),
    });
    return { document, inverse: { type: 'moveElement', node, parent: from.id, ...placeOf(from.children, node) } };
  },
  footprint(_, after, { node }) {
    const { page } = requireElement(after, node);
    return structureFootprint(
      page.id,
      subtreeOf(page, node).map((element) => element.id),
    );
  },
  describe: (project, { node, parent }) => `Move ${nameOf(project, node)} in ${nameOf(project, parent)}`,
  merge: laterWins('node'),
  anchor: (project, edit) => anchored(othersIn(project, edit), edit),
};
