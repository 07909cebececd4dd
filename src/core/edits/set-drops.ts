import { z } from 'zod';
import { dropsSchema } from '../document/drop';
import { elementIdSchema } from '../document/element';
import type { EditKind } from './edit';
import { changesElements, EditError, laterWins, nameOf, requireElement } from './edit';
import { structureFootprint } from './footprint';

const schema = z.strictObject({
  type: z.literal('setDrops'),
  node: elementIdSchema,
  /** Null for a row whose items stay, or drop by values that nobody fits again. */
  drops: dropsSchema.nullable(),
});
type SetDrops = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setDrops: SetDrops;
  }
}

/** Says which items of a row drop away as room runs out, and at which breakpoints. */
export const setDrops: EditKind<SetDrops> = {
  schema,
  ...changesElements<SetDrops>((writer, { node, drops }) => {
    const { page, element } = writer.require(node);
    if (drops?.items.some(({ item }) => !element.children.includes(item)))
      throw new EditError(`Only what stands in ${element.name} itself drops out of it.`);
    const { drops: before, ...rest } = element;
    writer.put(page.id, drops ? { ...rest, drops } : rest);
    return { type: 'setDrops', node, drops: before ?? null };
  }),
  footprint: (_, after, { node }) => structureFootprint(requireElement(after, node).page.id, [node]),
  describe: (project, { node, drops }) =>
    drops ? `Let items of ${nameOf(project, node)} drop away` : `Nothing of ${nameOf(project, node)} is fitted any more`,
  merge: laterWins('node'),
};
