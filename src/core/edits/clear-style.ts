import { z } from 'zod';
import { atSchema } from '../breakpoints/breakpoint';
import { ownerIdSchema } from '../document/owner';
import { isShorthand, longhandsOf } from '../styles/shorthands';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { stylesFootprint } from './footprint';
import { ownerName } from './owners';
import { describeTarget } from './set-style';
import { writesValues } from './writes-values';

const schema = z.strictObject({
  type: z.literal('clearStyle'),
  owner: ownerIdSchema,
  at: atSchema,
  /** A longhand, or a shorthand for all of its longhands. */
  property: z.string().max(60),
});
type ClearStyle = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly clearStyle: ClearStyle;
  }
}

const named = (property: string) => (isShorthand(property) ? longhandsOf(property) : [property]);

/** Takes an own value away, so that a weaker one shows again. */
export const clearStyle: EditKind<ClearStyle> = {
  schema,
  ...writesValues<ClearStyle>(
    (writer, { owner, at, property }) => {
      const there = new Set(writer.properties(owner, at));
      const gone = named(property).filter((longhand) => there.has(longhand));
      if (gone.length === 0)
        throw new EditError(
          `${ownerName(writer.project, owner)} has no own ${property} at ${describeTarget(writer.project, at)} to clear.`,
        );
      for (const longhand of gone) writer.write({ owner, at, property: longhand, value: null });
    },
    ({ property }) => `Clear ${property}`,
  ),
  footprint: (before, after, { owner, property }) => stylesFootprint(before, after, new Map([[owner, new Set(named(property))]])),
  describe: (project, { owner, at, property }) =>
    `Clear ${property} of ${ownerName(project, owner)} (${describeTarget(project, at)})`,
};
