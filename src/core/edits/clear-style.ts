import { z } from 'zod';
import { atSchema } from '../breakpoints/breakpoint';
import { isShorthand, longhandsOf } from '../styles/shorthands';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { stylesFootprint } from './footprint';
import { ownerIdSchema, ownerName, requireStyles, withDeclarations, withStyles } from './owners';
import type { Edit } from './registry';
import { describeTarget } from './set-style';

const schema = z.strictObject({
  type: z.literal('clearStyle'),
  /** An element, a shared style or a kind. */
  node: ownerIdSchema,
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
    const styles = requireStyles(project, edit.node);
    const before = styles[edit.at] ?? {};
    const gone = named(edit.property).filter((property) => property in before);
    if (gone.length === 0)
      throw new EditError(
        `${ownerName(project, edit.node)} has no own ${edit.property} at ${describeTarget(project, edit.at)} to clear.`,
      );
    const rest = Object.fromEntries(Object.entries(before).filter(([property]) => !gone.includes(property)));
    const document = withStyles(project, new Map([[edit.node, withDeclarations(styles, edit.at, rest)]]));
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
    return stylesFootprint(before, after, new Map([[edit.node, new Set(named(edit.property))]]));
  },
  describe: (project, edit) =>
    `Clear ${edit.property} of ${ownerName(project, edit.node)} (${describeTarget(project, edit.at)})`,
};
