import { z } from 'zod';
import { elementIdSchema } from '../document/element';
import { nameSchema } from '../text';
import type { EditKind } from './edit';
import { changesElements, laterWins, nameOf, requireElement } from './edit';

const schema = z.strictObject({ type: z.literal('renameElement'), node: elementIdSchema, name: nameSchema });
type RenameElement = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly renameElement: RenameElement;
  }
}

/** Gives an element another name. Class names follow names, so the HTML changes, but nothing moves. */
export const renameElement: EditKind<RenameElement> = {
  schema,
  ...changesElements<RenameElement>((writer, { node, name }) => {
    const { page, element } = writer.require(node);
    writer.put(page.id, { ...element, name });
    return { type: 'renameElement', node, name: element.name };
  }),
  footprint(_, after, { node }) {
    const { page } = requireElement(after, node);
    return { [page.id]: { elements: [node], properties: [], widths: [], html: true } };
  },
  describe: (project, { node, name }) => `Rename ${nameOf(project, node)} to ${name}`,
  merge: laterWins('node'),
};
