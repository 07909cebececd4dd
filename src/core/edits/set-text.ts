import { produce } from 'immer';
import { z } from 'zod';
import { elementIdSchema, textSchema } from '../document/element';
import { HTML_ELEMENTS } from '../document/html';
import type { EditKind } from './edit';
import { EditError, nameOf, requireElement } from './edit';
import { structureFootprint } from './footprint';

const schema = z.strictObject({ type: z.literal('setText'), node: elementIdSchema, text: textSchema.nullable() });
export type SetText = z.infer<typeof schema>;

/** Changes an element's text, at all widths: content is shared by all of them. */
export const setText: EditKind<SetText> = {
  schema,
  apply(project, { node, text }) {
    const { page, element } = requireElement(project, node);
    if (element.children.length > 0) throw new EditError(`${element.name} holds other elements, not a text.`);
    if (HTML_ELEMENTS[element.tag]?.content === 'void') throw new EditError(`<${element.tag}> can't hold a text.`);
    const document = produce(project, (draft) => {
      const target = draft.pages.find((one) => one.id === page.id)!.elements[node]!;
      if (text === null) delete target.text;
      else target.text = text;
    });
    return { document, inverse: { type: 'setText', node, text: element.text ?? null } };
  },
  footprint: (_, after, { node }) => structureFootprint(requireElement(after, node).page.id, [node]),
  describe: (project, { node }) => `Change the text of ${nameOf(project, node)}`,
};
