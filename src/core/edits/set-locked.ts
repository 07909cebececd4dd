import { z } from 'zod';
import { elementIdSchema } from '../document/element';
import type { EditKind } from './edit';
import { changesElements, laterWins, nameOf } from './edit';

const schema = z.strictObject({ type: z.literal('setLocked'), node: elementIdSchema, locked: z.boolean() });
type SetLocked = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setLocked: SetLocked;
  }
}

/** Locks an element against presses, drags and removals on the page, or opens it again. Nothing looks different. */
export const setLocked: EditKind<SetLocked> = {
  schema,
  ...changesElements<SetLocked>((writer, { node, locked }) => {
    const { page, element } = writer.require(node);
    const { locked: before, ...rest } = element;
    writer.put(page.id, locked ? { ...rest, locked: true } : rest);
    return { type: 'setLocked', node, locked: before ?? false };
  }),
  footprint: () => ({}),
  describe: (project, { node, locked }) => `${locked ? 'Lock' : 'Unlock'} ${nameOf(project, node)}`,
  merge: laterWins('node'),
};
