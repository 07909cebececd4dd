import { z } from 'zod';
import { attributeNameSchema, attributeValueSchema } from '../document/attribute-fields';
import { whyNoPictures } from '../document/shown-pictures';
import { picturesShown, whyNotAttribute, whyNotKeptAttribute } from '../document/html';
import { isInUse, shownIdSchema, splitShownId } from '../document/use';
import type { EditKind } from './edit';
import { changesElements, EditError, laterWins, nameOf, requireElement } from './edit';
import { structureFootprint } from './footprint';
import { inUse, say } from './in-use';
import { requirePictures } from './set-pictures';

const schema = z.strictObject({
  type: z.literal('setAttribute'),
  node: shownIdSchema,
  name: attributeNameSchema,
  /** Null takes it away. */
  value: attributeValueSchema.nullable(),
});
type SetAttribute = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setAttribute: SetAttribute;
  }
}

/** Sets an HTML attribute, at all widths: where a link leads, what a picture shows. */
export const setAttribute: EditKind<SetAttribute> = {
  schema,
  ...changesElements<SetAttribute>((writer, { node, name, value }) => {
    const shown = isInUse(node) ? inUse(writer, node) : undefined;
    const { tag, attributes: own = {} } = shown
      ? { tag: shown.of.tag, attributes: shown.said?.attributes }
      : writer.require(node).element;
    // Beside pages that were brought in stands what they came with, wherever it has been moved since: it can be put back.
    const hasBrought = writer.project.pages.some(({ brought }) => brought);
    const whyNot = hasBrought && !shown ? whyNotKeptAttribute : whyNotAttribute;
    const why = value === null ? undefined : whyNot(tag, name, value);
    if (why) throw new EditError(why);
    if (value !== null) requirePictures(writer.project, [...picturesShown({ [name]: value }).values()]);
    const before = Object.hasOwn(own, name) ? own[name] : undefined;
    const { [name]: _, ...others } = own;
    const attributes = value === null ? others : { ...others, [name]: value };
    if (shown) {
      if (value === null && before === undefined && shown.of.attributes[name] !== undefined)
        throw new EditError(`It is the part that says ${name}; a use can say another, not none.`);
      say(writer, shown, { attributes });
    } else {
      const { page, element } = writer.require(node);
      if (element.pictures && whyNoPictures({ ...element, attributes }))
        throw new EditError(`${element.name} shows other pictures at breakpoints: take those away first.`);
      writer.put(page.id, { ...element, attributes });
    }
    return { type: 'setAttribute', node, name, value: before ?? null };
  }),
  footprint: (_, after, { node }) => structureFootprint(requireElement(after, splitShownId(node).holder).page.id, [node]),
  describe: (project, { node, name, value }) =>
    value === null ? `Take ${name} from ${nameOf(project, node)}` : `Set ${name} of ${nameOf(project, node)}`,
  merge: laterWins('node', 'name'),
};
