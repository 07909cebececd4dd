import { z } from 'zod';
import { shownIdSchema, splitShownId } from '../document/use';
import type { EditKind } from './edit';
import { changesElements, EditError, nameOf } from './edit';
import { structureFootprint } from './footprint';
import { inUse, say } from './in-use';
import { pageHolding } from '../document/tree';

const schema = z.strictObject({ type: z.literal('setHidden'), node: shownIdSchema, hidden: z.boolean() });
type SetHidden = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setHidden: SetHidden;
  }
}

/** Leaves an element of a part out where one use shows it, with all in it, or puts it back. */
export const setHidden: EditKind<SetHidden> = {
  schema,
  ...changesElements<SetHidden>((writer, { node, hidden }) => {
    const shown = inUse(writer, node);
    if (!shown || shown.path === '') throw new EditError('Only what stands in the use of a part can be left out there.');
    say(writer, shown, { hidden: hidden ? true : undefined });
    return { type: 'setHidden', node, hidden: shown.said?.hidden ?? false };
  }),
  footprint(before, _, { node }) {
    const { holder } = splitShownId(node);
    const page = pageHolding(before, holder);
    return page ? structureFootprint(page.id, [holder]) : {};
  },
  describe: (project, { node, hidden }) =>
    hidden
      ? `Leave ${nameOf(project, node)} out, here only`
      : `Put back what was left out of ${nameOf(project, splitShownId(node).holder)}`,
};
