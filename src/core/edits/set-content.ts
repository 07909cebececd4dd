import { z } from 'zod';
import { childrenSchema, elementIdSchema } from '../document/content';
import { elementSchema } from '../document/element';
import { LIMITS } from '../document/limits';
import { whyNotInto } from '../document/room';
import { parentOf, subtreeOf } from '../document/tree';
import { shapeOf, treesProblem, whyNotThere } from '../document/trees';
import { listOf } from '../text';
import type { EditKind } from './edit';
import { changesElements, EditError, laterWins, nameOf } from './edit';
import { mergeFootprints, structureFootprint } from './footprint';

const schema = z.strictObject({
  type: z.literal('setContent'),
  node: elementIdSchema,
  children: childrenSchema,
  /** Everything below it. Of those that stand in it already only their place and their texts are taken from here. */
  elements: listOf(elementSchema, LIMITS.elements, `A page has at most ${LIMITS.elements} elements.`).readonly(),
});
type SetContent = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setContent: SetContent;
  }
}

/**
 * Changes the whole inside of an element, texts and elements among them, at all widths. Elements that stay keep their
 * values, attributes and names as they are by then, whatever others have done to them.
 */
export const setContent: EditKind<SetContent> = {
  schema,
  ...changesElements<SetContent>((writer, { node, children, elements }) => {
    const { page, element } = writer.require(node);
    const inside = subtreeOf(page, node).slice(1);
    const there = new Map(inside.map((one) => [one.id, one]));
    const next = elements.map((one) => {
      const known = there.get(one.id);
      if (!known && writer.holding(one.id)) throw new EditError('An element with this id is there already.');
      return known ? { ...known, children: one.children } : one;
    });
    const all = [{ ...element, children }, ...next];
    const byId = Object.fromEntries(all.map((one) => [one.id, one]));
    const problem = treesProblem(all, [node]);
    if (problem) throw new EditError(problem);
    const parent = parentOf(page, node);
    const why = parent ? whyNotInto(page, parent.id, shapeOf(byId, node)) : whyNotThere(shapeOf(byId, node));
    if (why) throw new EditError(why);
    writer.replaceInside(page.id, node, children, next);
    return { type: 'setContent', node, children: element.children, elements: inside };
  }),
  footprint: (before, after, { node }) =>
    mergeFootprints(
      ...[before, after].flatMap(({ pages }) =>
        pages.flatMap((page) =>
          node in page.elements
            ? [
                structureFootprint(
                  page.id,
                  subtreeOf(page, node).map(({ id }) => id),
                ),
              ]
            : [],
        ),
      ),
    ),
  describe: (project, { node }) => `Change the text of ${nameOf(project, node)}`,
  merge: laterWins('node'),
};
