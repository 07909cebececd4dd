import { z } from 'zod';
import { elementIdSchema } from '../document/element';
import type { EditKind } from './edit';
import { changesElements, laterWins, nameOf } from './edit';
import { structureFootprint } from './footprint';
import { pageHolding } from '../document/tree';

const schema = z.strictObject({ type: z.literal('setFirst'), node: elementIdSchema, first: z.boolean() });
type SetFirst = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setFirst: SetFirst;
  }
}

/** Marks an element as one that must be seen first, or no longer. Nothing looks different; audits ask for it. */
export const setFirst: EditKind<SetFirst> = {
  schema,
  ...changesElements<SetFirst>((writer, { node, first }) => {
    const { page, element } = writer.require(node);
    const { first: before, ...rest } = element;
    writer.put(page.id, first ? { ...rest, first: true } : rest);
    return { type: 'setFirst', node, first: before ?? false };
  }),
  footprint(before, after, { node }) {
    const [was, is] = [before, after].map((project) => pageHolding(project, node));
    if (!is || was?.elements[node]?.first === is.elements[node]?.first) return {};
    return structureFootprint(is.id, [node]);
  },
  describe: (project, { node, first }) => `${nameOf(project, node)} ${first ? 'must be seen first' : 'need not be seen first'}`,
  merge: laterWins('node'),
};
