import { z } from 'zod';
import { atSchema } from '../breakpoints/breakpoint';
import { describeCondition } from '../breakpoints/condition';
import { ownerIdSchema } from '../document/owner';
import type { Project } from '../document/project';
import { checkValue } from '../styles/value';
import type { EditKind } from './edit';
import { EditError, laterWins } from './edit';
import { stylesFootprint } from './footprint';
import { ownerName } from './owners';
import { writesValues } from './writes-values';

const schema = z.strictObject({
  type: z.literal('setStyle'),
  owner: ownerIdSchema,
  at: atSchema,
  /** A longhand, or a shorthand that is then expanded. */
  property: z.string().max(60),
  value: z.string().max(20_000),
});
type SetStyle = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setStyle: SetStyle;
  }
}

/** The longhands that a value stands for. @throws EditError when the property can't have it */
export function longhandsOfValue(property: string, value: string): Readonly<Record<string, string>> {
  const checked = checkValue(property, value);
  if (!checked.ok) throw new EditError(checked.message);
  return checked.declarations;
}

/** "base" or "900 and narrower". */
export function describeTarget(project: Pick<Project, 'breakpoints'>, at: string): string {
  const breakpoint = project.breakpoints.find((one) => one.id === at);
  return breakpoint ? describeCondition(breakpoint.condition) : 'base';
}

/** Writes a value at the base or under a breakpoint. */
export const setStyle: EditKind<SetStyle> = {
  schema,
  ...writesValues<SetStyle>(
    (writer, { owner, at, property, value }) => {
      if (!writer.takes(at)) throw new EditError('The breakpoint this edit writes to has been removed.');
      const longhands = Object.entries(longhandsOfValue(property, value));
      for (const [longhand, part] of longhands) writer.write({ owner, at, property: longhand, value: part });
    },
    ({ property }) => `Set ${property}`,
  ),
  footprint(before, after, { owner, property, value }) {
    const checked = checkValue(property, value);
    return stylesFootprint(before, after, new Map([[owner, new Set(checked.ok ? Object.keys(checked.declarations) : [])]]));
  },
  describe: (project, { owner, at, property, value }) =>
    `Set ${property} of ${ownerName(project, owner)} to ${value} (${describeTarget(project, at)})`,
  merge: laterWins('owner', 'at', 'property'),
};
