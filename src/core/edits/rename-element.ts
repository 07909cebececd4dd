import { produce } from 'immer';
import { z } from 'zod';
import { elementIdSchema, nameSchema } from '../document/element';
import type { EditKind } from './edit';
import { nameOf, requireElement } from './edit';

const schema = z.strictObject({ type: z.literal('renameElement'), node: elementIdSchema, name: nameSchema });
export type RenameElement = z.infer<typeof schema>;

/** Gives an element another name. Class names follow names, so the HTML changes, but nothing moves. */
export const renameElement: EditKind<RenameElement> = {
  schema,
  apply(project, { node, name }) {
    const { page, element } = requireElement(project, node);
    const document = produce(project, (draft) => {
      draft.pages.find((one) => one.id === page.id)!.elements[node]!.name = name;
    });
    return { document, inverse: { type: 'renameElement', node, name: element.name } };
  },
  footprint(_, after, { node }) {
    const { page } = requireElement(after, node);
    return { [page.id]: { elements: [node], properties: [], widths: [], html: true } };
  },
  describe: (project, { node, name }) => `Rename ${nameOf(project, node)} to ${name}`,
};
