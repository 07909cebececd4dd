import { z } from 'zod';
import { atSchema, BASE, breakpointSchema, hasCycle } from '../breakpoints/breakpoint';
import type { Declarations, StyleSet } from '../document/element';
import { nameSchema } from '../document/element';
import type { Project } from '../document/project';
import { LIMITS } from '../document/project';
import { checkValue } from '../styles/value';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { breakpointFootprint, mergeFootprints, stylesFootprint } from './footprint';
import { allOwners, ownerIdSchema, requireStyles, withDeclarations, withStyles } from './owners';

const changeSchema = z.strictObject({
  owner: ownerIdSchema,
  at: atSchema,
  /** A longhand or a custom property. */
  property: z.string().max(64),
  /** Null takes it away; taking away what isn't there does nothing. */
  value: z.string().max(20_000).nullable(),
});
export type StyleChange = z.infer<typeof changeSchema>;

const schema = z.strictObject({
  type: z.literal('restyle'),
  label: z.string().max(300),
  /** The whole set as it is to be, in order; undefined where it stays. */
  breakpoints: z.array(breakpointSchema).max(LIMITS.breakpoints).readonly().optional(),
  baseName: nameSchema.optional(),
  changes: z.array(changeSchema).max(100_000, 'That is more than can be changed at once.'),
});
export type Restyle = z.infer<typeof schema>;

const keyOf = ({ owner, at, property }: StyleChange) => `${owner} ${at} ${property}`;

/** Many values on any elements, shared styles and kinds, and perhaps another set of breakpoints with them, at once. */
export const restyle: EditKind<Restyle> = {
  schema,
  apply(project, { label, breakpoints, baseName, changes }) {
    const styles = new Map<string, StyleSet>();
    const back = new Map<string, StyleChange>();
    const places = new Map<string, Map<string, Declarations>>();
    for (const change of changes) {
      const { owner, at, property, value } = change;
      let of = places.get(owner);
      if (!of) places.set(owner, (of = new Map(Object.entries(requireStyles(project, owner)))));
      const before = of.get(at) ?? {};
      if (!back.has(keyOf(change))) back.set(keyOf(change), { owner, at, property, value: before[property] ?? null });
      if (value === null) {
        const { [property]: _, ...rest } = before;
        of.set(at, rest);
        continue;
      }
      const checked = checkValue(property, value);
      if (!checked.ok) throw new EditError(checked.message);
      if (checked.declarations[property] === undefined)
        throw new EditError(`${property} stands for several properties.`);
      of.set(at, { ...before, ...checked.declarations });
    }
    for (const [owner, of] of places) {
      let set = requireStyles(project, owner);
      for (const [at, declarations] of of) if (declarations !== set[at]) set = withDeclarations(set, at, declarations);
      styles.set(owner, set);
    }
    const document: Project = {
      ...withStyles(project, styles),
      ...(breakpoints && { breakpoints }),
      ...(baseName !== undefined && { baseName }),
    };
    requireWhole(document, breakpoints ? undefined : changes);
    return {
      document,
      inverse: {
        type: 'restyle',
        label,
        ...(breakpoints && { breakpoints: project.breakpoints }),
        ...(baseName !== undefined && { baseName: project.baseName }),
        changes: [...back.values()],
      },
    };
  },
  footprint(before, after, { breakpoints, changes }) {
    const perOwner = new Map<string, Set<string>>();
    for (const { owner, property } of changes)
      perOwner.set(owner, (perOwner.get(owner) ?? new Set<string>()).add(property));
    const values = stylesFootprint(before, after, perOwner);
    if (!breakpoints) return values;
    const ids = [...new Set([...before.breakpoints, ...after.breakpoints].map(({ id }) => id))];
    return mergeFootprints(values, breakpointFootprint(before, after, ids));
  },
  describe: (_, { label }) => label,
};

/** @throws EditError when values would stand under a breakpoint that isn't there, or the set isn't one. */
function requireWhole(project: Project, changes: readonly StyleChange[] | undefined): void {
  const ids = new Set([BASE, ...project.breakpoints.map(({ id }) => id)]);
  if (ids.size !== project.breakpoints.length + 1) throw new EditError('Two breakpoints have the same id.');
  if (hasCycle(project.breakpoints)) throw new EditError('Breakpoints would take over from each other in a circle.');
  const lost = changes
    ? changes.some(({ at, value }) => value !== null && !ids.has(at))
    : allOwners(project).some(({ styles }) =>
        Object.keys(styles).some((at) => !ids.has(at) && Object.keys(styles[at]!).length > 0),
      );
  if (lost) throw new EditError('The breakpoint this edit writes to has been removed.');
}
