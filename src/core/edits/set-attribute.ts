import { z } from 'zod';
import { elementIdSchema } from '../document/element';
import { picturesShown, whyNotAttribute } from '../document/html';
import type { EditKind } from './edit';
import { changesElements, EditError, laterWins, nameOf, requireElement } from './edit';
import { structureFootprint } from './footprint';

const schema = z.strictObject({
  type: z.literal('setAttribute'),
  node: elementIdSchema,
  name: z.string().regex(/^[a-z][a-z0-9-]{0,60}$/, "That isn't an attribute name."),
  /** Null takes it away. */
  value: z.string().max(2_000, 'An attribute has at most 2000 characters.').nullable(),
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
    const { page, element } = writer.require(node);
    const why = value === null ? undefined : whyNotAttribute(element.tag, name, value);
    if (why) throw new EditError(why);
    for (const shown of value === null ? [] : picturesShown({ [name]: value }).values())
      if (!writer.project.pictures.some(({ id }) => id === shown)) throw new EditError("That picture isn't there.");
    const before = Object.hasOwn(element.attributes, name) ? element.attributes[name] : undefined;
    const { [name]: _, ...others } = element.attributes;
    const attributes = value === null ? others : { ...others, [name]: value };
    writer.put(page.id, { ...element, attributes });
    return { type: 'setAttribute', node, name, value: before ?? null };
  }),
  footprint: (_, after, { node }) => structureFootprint(requireElement(after, node).page.id, [node]),
  describe: (project, { node, name, value }) =>
    value === null ? `Take ${name} from ${nameOf(project, node)}` : `Set ${name} of ${nameOf(project, node)}`,
  merge: laterWins('node', 'name'),
};
