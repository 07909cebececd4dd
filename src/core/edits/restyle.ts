import { z } from 'zod';
import { atSchema, BASE, breakpointSchema, hasCycle } from '../breakpoints/breakpoint';
import type { Alternate } from '../document/alternate';
import { alternateSchema } from '../document/alternate';
import { elementIdSchema } from '../document/element';
import type { Panel } from '../document/panel';
import { panelSchema } from '../document/panel';
import { pictureIdSchema } from '../document/picture';
import { withPictures } from '../document/shown-pictures';
import { LIMITS } from '../document/limits';
import { ownerIdSchema } from '../document/owner';
import type { Project } from '../document/project';
import { CUSTOM_PROPERTY } from '../styles/custom';
import { isProperty } from '../styles/properties';
import { listOf, nameSchema } from '../text';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { breakpointFootprint, mergeFootprints, picturesFootprint, shownFootprint, stylesFootprint } from './footprint';
import { allOwners } from './owners';
import { DocumentWriter } from './document-writer';
import { longhandsOfValue } from './set-style';
import { requirePictures, whyNotHere, wordsOf } from './set-pictures';
import { ValueWriter } from './value-writer';

/** Values one edit writes at most. */
const CHANGES_MOST = 60_000;

const changeSchema = z.strictObject({
  owner: ownerIdSchema,
  at: atSchema,
  /** A longhand or a custom property. */
  property: z
    .string()
    .refine((name) => isProperty(name) || CUSTOM_PROPERTY.test(name), {
      error: (issue) => `"${String(issue.input).slice(0, 60)}" isn't a single property known here.`,
    }),
  /** Null takes it away; taking away what isn't there does nothing. */
  value: z.string().max(20_000).nullable(),
});

/** Where an element that is there shows or is a panel, or which pictures it shows, in place of what it has said. */
const chosenSchema = z.strictObject({
  node: elementIdSchema,
  alternate: alternateSchema.optional(),
  panel: panelSchema.optional(),
  /** By place, the base too. */
  pictures: z.record(atSchema, pictureIdSchema).optional(),
});
export interface Chosen {
  readonly node: string;
  readonly alternate?: Alternate | undefined;
  readonly panel?: Panel | undefined;
  readonly pictures?: Readonly<Record<string, string>> | undefined;
}

const schema = z.strictObject({
  type: z.literal('restyle'),
  label: z.string().max(300),
  /** The whole set as it is to be, in order; undefined where it stays. */
  breakpoints: z.array(breakpointSchema).max(LIMITS.breakpoints).readonly().optional(),
  baseName: nameSchema.optional(),
  chosen: listOf(chosenSchema, LIMITS.elements, 'That is more than can be chosen at once.').readonly().optional(),
  changes: listOf(changeSchema, CHANGES_MOST, 'That is more than can be changed at once.').readonly(),
});
export type Restyle = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly restyle: Restyle;
  }
}

/** Many values on any elements, shared styles and kinds, and perhaps another set of breakpoints with them, at once. */
export const restyle: EditKind<Restyle> = {
  schema,
  apply(project, { label, breakpoints, baseName, chosen = [], changes }) {
    const around: Project = { ...project, ...(breakpoints && { breakpoints }), ...(baseName !== undefined && { baseName }) };
    const writer = new ValueWriter(around);
    for (const change of changes) {
      const { at, property, value } = change;
      if (value === null) {
        writer.write(change);
        continue;
      }
      if (!writer.takes(at)) throw new EditError('The breakpoint this edit writes to has been removed.');
      const written = longhandsOfValue(property, value)[property];
      if (written === undefined) throw new EditError(`${property} stands for several properties.`);
      writer.write({ ...change, value: written });
    }
    const { document: valued, back } = writer.finish();
    const choosing = new DocumentWriter(valued);
    const were = chosen.map((one) => choose(choosing, one));
    const document = choosing.finish();
    if (breakpoints) requireWhole(document);
    return {
      document,
      inverse: {
        type: 'restyle',
        label,
        ...(breakpoints && { breakpoints: project.breakpoints }),
        ...(baseName !== undefined && { baseName: project.baseName }),
        ...(were.length > 0 && { chosen: were.reverse() }),
        changes: back,
      },
    };
  },
  footprint(before, after, { breakpoints, chosen = [], changes }) {
    const perOwner = new Map<string, Set<string>>();
    for (const { owner, property } of changes) {
      const properties = perOwner.get(owner);
      if (properties) properties.add(property);
      else perOwner.set(owner, new Set([property]));
    }
    const nodes = (named: readonly Chosen[]) => named.map(({ node }) => node);
    const values = mergeFootprints(
      stylesFootprint(before, after, perOwner),
      shownFootprint(before, after, nodes(chosen.filter(({ alternate, panel }) => alternate ?? panel))),
      picturesFootprint(before, after, nodes(chosen.filter(({ pictures }) => pictures))),
    );
    if (!breakpoints) return values;
    const ids = [...new Set([...before.breakpoints, ...after.breakpoints].map(({ id }) => id))];
    return mergeFootprints(values, breakpointFootprint(before, after, ids));
  },
  describe: (_, { label }) => label,
};

/** What it said before is returned. @throws EditError where it says nothing of the sort */
function choose(writer: DocumentWriter, { node, alternate, panel, pictures }: Chosen): Chosen {
  const { page, element } = writer.require(node);
  if ((alternate && !element.alternate) || (panel && !element.panel) || (pictures && whyNotHere(page, element)))
    throw new EditError(`${element.name} is no longer what this edit is about.`);
  requirePictures(writer.project, Object.values(pictures ?? {}));
  const chosen = { ...element, ...(alternate && { alternate }), ...(panel && { panel }) };
  writer.put(page.id, pictures ? withPictures(chosen, pictures) : chosen);
  return {
    node,
    ...(alternate && { alternate: element.alternate }),
    ...(panel && { panel: element.panel }),
    ...(pictures && { pictures: wordsOf(element) }),
  };
}

/** @throws EditError when values would stand under a breakpoint that isn't there, or the set isn't one. */
function requireWhole(project: Project): void {
  const ids = new Set([BASE, ...project.breakpoints.map(({ id }) => id)]);
  if (ids.size !== project.breakpoints.length + 1) throw new EditError('Two breakpoints have the same id.');
  if (hasCycle(project.breakpoints)) throw new EditError('Breakpoints would take over from each other in a circle.');
  if (allOwners(project).some(({ styles }) => Object.keys(styles).some((at) => !ids.has(at))))
    throw new EditError('The breakpoint this edit writes to has been removed.');
}
