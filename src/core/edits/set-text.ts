import { z } from 'zod';
import { childIds, ownText, textChildren, textSchema } from '../document/content';
import { whyNoText } from '../document/html';
import { shownIdSchema, splitShownId } from '../document/use';
import type { EditKind } from './edit';
import { changesElements, EditError, laterWins, nameOf, requireElement } from './edit';
import { structureFootprint } from './footprint';
import { inUse } from './in-use';
import { putTexts } from './say-texts';

const schema = z.strictObject({
  type: z.literal('setText'),
  node: shownIdSchema,
  /** Null for none; an empty text is none. */
  text: textSchema.nullable(),
});
type SetText = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setText: SetText;
  }
}

/** Changes an element's text, at all widths: content is shared by all of them. */
export const setText: EditKind<SetText> = {
  schema,
  ...changesElements<SetText>((writer, { node, text }) => {
    const shown = inUse(writer, node);
    if (shown) {
      if (childIds(shown.of).length > 0) throw new EditError(`${shown.of.name} holds other elements, not only a text.`);
      return putTexts(writer, node, shown, [text ?? '']);
    }
    const { page, element } = writer.require(node);
    if (childIds(element).length > 0) throw new EditError(`${element.name} holds other elements, not only a text.`);
    const why = text ? whyNoText(element.tag) : undefined;
    if (why) throw new EditError(why);
    writer.put(page.id, { ...element, children: textChildren(text) });
    return { type: 'setText', node, text: ownText(element) || null };
  }),
  footprint: (_, after, { node }) => structureFootprint(requireElement(after, splitShownId(node).holder).page.id, [node]),
  describe: (project, { node }) => `Change the text of ${nameOf(project, node)}`,
  merge: laterWins('node'),
};
