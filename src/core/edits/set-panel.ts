import { z } from 'zod';
import { elementIdSchema } from '../document/element';
import { panelSchema, whyNoPanel } from '../document/panel';
import { pageHolding, parentOf } from '../document/tree';
import type { EditKind } from './edit';
import { changesElements, EditError, laterWins, nameOf } from './edit';
import { shownFootprint } from './footprint';

const schema = z.strictObject({
  type: z.literal('setPanel'),
  node: elementIdSchema,
  /** Null for an element that is none. */
  panel: panelSchema.nullable(),
});
type SetPanel = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setPanel: SetPanel;
  }
}

/** Makes an element a panel, says where it is one and how it behaves, or makes it an ordinary element again. */
export const setPanel: EditKind<SetPanel> = {
  schema,
  ...changesElements<SetPanel>((writer, { node, panel }) => {
    const { page, element } = writer.require(node);
    if (panel) {
      const why = parentOf(page, node) ? whyNoPanel(element, panel.kind) : "A page's body can't be a panel.";
      if (why) throw new EditError(why);
      if (element.use) throw new EditError(`${element.name} is the use of a part: make what stands in the part a panel.`);
    }
    const { panel: before, ...rest } = element;
    writer.put(page.id, panel ? { ...rest, panel } : rest);
    return { type: 'setPanel', node, panel: before ?? null };
  }),
  footprint: (before, after, { node }) => shownFootprint(before, after, [node]),
  describe: (project, { node, panel }) => {
    const before = pageHolding(project, node)?.elements[node]?.panel;
    if (!panel) return `${nameOf(project, node)} is part of the page again`;
    return before ? `Change ${panel.kind} ${nameOf(project, node)}` : `Make ${nameOf(project, node)} a ${panel.kind}`;
  },
  merge: laterWins('node'),
};
