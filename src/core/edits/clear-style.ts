import { produce } from 'immer';
import { z } from 'zod';
import { atSchema } from '../breakpoints/breakpoint';
import { elementIdSchema } from '../document/element';
import { isShorthand, longhandsOf } from '../styles/shorthands';
import type { EditKind } from './edit';
import { EditError, nameOf, requireElement } from './edit';
import { stylesFootprint } from './footprint';
import type { Edit } from './registry';
import { describeTarget } from './set-style';

const schema = z.strictObject({
  type: z.literal('clearStyle'),
  node: elementIdSchema,
  at: atSchema,
  /** A longhand, or a shorthand for all of its longhands. */
  property: z.string().max(60),
});
export type ClearStyle = z.infer<typeof schema>;

const named = (property: string) => (isShorthand(property) ? longhandsOf(property) : [property]);

/** Takes an element's own value away, so that a weaker one shows again. */
export const clearStyle: EditKind<ClearStyle> = {
  schema,
  apply(project, edit) {
    const { page, element } = requireElement(project, edit.node);
    const before = element.styles[edit.at] ?? {};
    const gone = named(edit.property).filter((property) => property in before);
    if (gone.length === 0)
      throw new EditError(
        `${element.name} has no own ${edit.property} at ${describeTarget(project, edit.at)} to clear.`,
      );
    const document = produce(project, (draft) => {
      const styles = draft.pages.find((one) => one.id === page.id)!.elements[edit.node]!.styles;
      for (const property of gone) delete styles[edit.at]![property];
      if (Object.keys(styles[edit.at]!).length === 0) delete styles[edit.at];
    });
    const back = gone.map((property): Edit => ({
      type: 'setStyle',
      node: edit.node,
      at: edit.at,
      property,
      value: before[property]!,
    }));
    return {
      document,
      inverse: back.length === 1 ? back[0]! : { type: 'group', label: `Clear ${edit.property}`, edits: back },
    };
  },
  footprint(before, after, edit) {
    const { page } = requireElement(after, edit.node);
    return stylesFootprint(before, after, page.id, new Map([[edit.node, new Set(named(edit.property))]]));
  },
  describe: (project, edit) =>
    `Clear ${edit.property} of ${nameOf(project, edit.node)} (${describeTarget(project, edit.at)})`,
};
