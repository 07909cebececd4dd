import { z } from 'zod';
import { elementIdSchema } from '../document/element';
import { parentOf, subtreeOf } from '../document/tree';
import type { EditKind } from './edit';
import { changesElements, EditError, nameOf, requireElement } from './edit';
import { structureFootprint } from './footprint';
import { contentPlaceOf } from './structure';

const schema = z.strictObject({ type: z.literal('removeElement'), node: elementIdSchema });
type RemoveElement = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly removeElement: RemoveElement;
  }
}

/** Removes an element and all below it, at all widths. */
export const removeElement: EditKind<RemoveElement> = {
  schema,
  ...changesElements<RemoveElement>((writer, { node }) => {
    const { page } = writer.require(node);
    const parent = parentOf(page, node);
    if (!parent) throw new EditError("A page's body can't be removed.");
    const elements = subtreeOf(page, node);
    writer.remove(page.id, node);
    return { type: 'insertElement', page: page.id, parent: parent.id, ...contentPlaceOf(parent, node), elements };
  }),
  footprint(before, _, { node }) {
    const { page } = requireElement(before, node);
    return structureFootprint(
      page.id,
      subtreeOf(page, node).map((element) => element.id),
    );
  },
  describe: (project, { node }) => `Remove ${nameOf(project, node)}`,
};
