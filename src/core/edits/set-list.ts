import { z } from 'zod';
import { elementIdSchema } from '../document/element';
import { listSchema } from '../document/list';
import { inItself } from '../document/part-problems';
import { holdsPart } from '../document/parts';
import type { EditKind } from './edit';
import { changesElements, EditError, laterWins, nameOf, requireElement } from './edit';
import { structureFootprint } from './footprint';
import { requirePart } from './remove-part';

const schema = z.strictObject({
  type: z.literal('setList'),
  node: elementIdSchema,
  /** Null for an element that shows no rows any more. */
  list: listSchema.nullable(),
});
type SetList = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setList: SetList;
  }
}

/** Has an element show an item for each row of a table; or another set, other fields, another item. */
export const setList: EditKind<SetList> = {
  schema,
  ...changesElements<SetList>((writer, { node, list }) => {
    const { page, element } = writer.require(node);
    if (element.use) throw new EditError(`"${element.name}" is the use of a part, and shows what the part has in it.`);
    if (list) {
      const project = writer.settled();
      requirePart(project, list.part);
      if (project.parts.some(({ id }) => id === page.id) && holdsPart(project, list.part, page.id))
        throw new EditError(inItself(page.name));
    }
    const { list: before, ...rest } = element;
    writer.put(page.id, list ? { ...rest, list } : rest);
    return { type: 'setList', node, list: before ?? null };
  }),
  footprint: (_, after, { node }) => structureFootprint(requireElement(after, node).page.id, [node]),
  describe: (project, { node, list }) =>
    list ? `Feed ${nameOf(project, node)} from a table` : `${nameOf(project, node)} is no list of rows any more`,
  merge: laterWins('node'),
};
