import { z } from 'zod';
import { elementIdSchema } from '../document/element';
import { topOf } from '../document/parts';
import { ancestorsOf, parentOf } from '../document/tree';
import { inItself } from '../document/part-problems';
import { holdsPart } from '../document/parts';
import { partIdSchema, useSchema } from '../document/use';
import type { EditKind } from './edit';
import { changesElements, EditError, nameOf, requireElement } from './edit';
import { structureFootprint } from './footprint';
import { requirePart } from './remove-part';
import { requireRoom } from './structure';

const schema = z.strictObject({
  type: z.literal('swapPart'),
  node: elementIdSchema,
  part: partIdSchema,
  /** What the use is to say of the other part; what it says already where it isn't given. */
  says: useSchema.shape.says.optional(),
});
type SwapPart = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly swapPart: SwapPart;
  }
}

/** Puts another part in the place of the one that an element uses. */
export const swapPart: EditKind<SwapPart> = {
  schema,
  ...changesElements<SwapPart>((writer, { node, part: id, says }) => {
    const { page, element } = writer.require(node);
    const { use } = element;
    if (!use) throw new EditError(`"${element.name}" is no use of a part.`);
    const project = writer.settled();
    const part = requirePart(project, id);
    const around = page.id;
    if (project.parts.some((one) => one.id === around) && holdsPart(project, id, around))
      throw new EditError(inItself(page.name));
    const { tag } = topOf(part)!;
    const parent = parentOf(page, node);
    if (tag !== element.tag && parent) requireRoom(page, parent.id, { tag, name: element.name });
    writer.put(page.id, { ...element, tag, use: { part: id, says: says ?? use.says } });
    return { type: 'swapPart', node, part: use.part, says: use.says };
  }),
  footprint(_, after, { node }) {
    const { page } = requireElement(after, node);
    return structureFootprint(page.id, [node, ...ancestorsOf(page, node).map(({ id }) => id)]);
  },
  describe: (project, { node, part }) =>
    `Swap ${nameOf(project, node)} for ${project.parts.find(({ id }) => id === part)?.name ?? 'a part'}`,
};
