import { z } from 'zod';
import { elementIdSchema } from '../document/element';
import { holdsElements } from '../document/html';
import { givenKindSchema, kindNamed } from '../document/kinds';
import type { EditKind } from './edit';
import { changesElements, EditError, laterWins, nameOf, requireElement } from './edit';
import { carryingFootprint } from './footprint';

const schema = z.strictObject({
  type: z.literal('setKind'),
  node: elementIdSchema,
  /** Null for the kind that its tag has. */
  kind: givenKindSchema.nullable(),
});
type SetKind = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setKind: SetKind;
  }
}

/** Makes an element a row or a grid, or again what its tag makes it. */
export const setKind: EditKind<SetKind> = {
  schema,
  ...changesElements<SetKind>((writer, { node, kind }) => {
    const { page, element } = writer.require(node);
    if (kind && !holdsElements(element.tag))
      throw new EditError(`<${element.tag}> holds no elements, so it can't be a row or a grid.`);
    const { kind: before, ...rest } = element;
    writer.put(page.id, kind ? { ...rest, kind } : rest);
    return { type: 'setKind', node, kind: before ?? null };
  }),
  footprint: (before, after, { node }) => carryingFootprint(before, after, requireElement(after, node).page.id, node),
  merge: laterWins('node'),
  describe: (project, { node, kind }) =>
    kind ? `Make ${nameOf(project, node)} a ${kindNamed(kind)?.one}` : `${nameOf(project, node)} is of its tag's kind again`,
};
