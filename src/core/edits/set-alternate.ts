import { z } from 'zod';
import { alternateSchema, canBeAlternate } from '../document/alternate';
import { elementIdSchema } from '../document/element';
import { pageHolding, parentOf } from '../document/tree';
import type { EditKind } from './edit';
import { changesElements, EditError, laterWins, nameOf } from './edit';
import { shownFootprint } from './footprint';

const schema = z.strictObject({
  type: z.literal('setAlternate'),
  node: elementIdSchema,
  /** Null for an element that is none. */
  alternate: alternateSchema.nullable(),
});
type SetAlternate = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setAlternate: SetAlternate;
  }
}

/** Makes an element one of several alternates, says where it is chosen, or makes it an ordinary element again. */
export const setAlternate: EditKind<SetAlternate> = {
  schema,
  ...changesElements<SetAlternate>((writer, { node, alternate }) => {
    const { page, element } = writer.require(node);
    if (alternate && (!canBeAlternate(element.tag) || !parentOf(page, node)))
      throw new EditError(`<${element.tag}> can't be one of several alternates.`);
    const { alternate: before, ...rest } = element;
    writer.put(page.id, alternate ? { ...rest, alternate } : rest);
    return { type: 'setAlternate', node, alternate: before ?? null };
  }),
  footprint: (before, after, { node }) => shownFootprint(before, after, [node]),
  describe: (project, { node, alternate }) => {
    if (!alternate) return `${nameOf(project, node)} is an alternate no longer`;
    const before = pageHolding(project, node)?.elements[node]?.alternate;
    return before?.set === alternate.set
      ? `Choose where ${nameOf(project, node)} shows`
      : `Make ${nameOf(project, node)} an alternate`;
  },
  merge: laterWins('node'),
};
