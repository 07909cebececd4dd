import { z } from 'zod';
import { elementIdSchema } from '../document/element';
import { HTML_ELEMENTS } from '../document/html';
import { givenKindSchema, kindNamed } from '../document/kinds';
import type { EditKind } from './edit';
import { EditError, nameOf, requireElement } from './edit';
import { carryingFootprint } from './footprint';

const schema = z.strictObject({
  type: z.literal('setKind'),
  node: elementIdSchema,
  /** Null for the kind that its tag has. */
  kind: givenKindSchema.nullable(),
});
export type SetKind = z.infer<typeof schema>;

/** Makes an element a row or a grid, or again what its tag makes it. */
export const setKind: EditKind<SetKind> = {
  schema,
  apply(project, { node, kind }) {
    const { page, element } = requireElement(project, node);
    if (kind && HTML_ELEMENTS[element.tag]?.content !== 'flow')
      throw new EditError(`<${element.tag}> holds no elements, so it can't be a row or a grid.`);
    const { kind: before, ...rest } = element;
    const elements = { ...page.elements, [node]: kind ? { ...rest, kind } : rest };
    return {
      document: { ...project, pages: project.pages.map((one) => (one === page ? { ...page, elements } : one)) },
      inverse: { type: 'setKind', node, kind: before ?? null },
    };
  },
  footprint: (before, after, { node }) => carryingFootprint(before, after, requireElement(after, node).page.id, node),
  describe: (project, { node, kind }) =>
    kind
      ? `Make ${nameOf(project, node)} a ${kindNamed(kind)?.one}`
      : `${nameOf(project, node)} is of its tag's kind again`,
};
