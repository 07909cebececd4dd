import { z } from 'zod';
import { breakpointIdSchema, breakpointSchema, hasCycle, placed, takenBy } from '../breakpoints/breakpoint';
import { describeCondition } from '../breakpoints/condition';
import { declarationsSchema } from '../document/element';
import { LIMITS } from '../document/limits';
import { ownerIdSchema } from '../document/owner';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { breakpointFootprint } from './footprint';
import { anchored, idsOf, indexIn, placeFields } from './list-place';
import { stylesOf } from './owners';
import { ValueWriter } from './value-writer';

const schema = z.strictObject({
  type: z.literal('addBreakpoint'),
  breakpoint: breakpointSchema,
  /** Values it brings along, by element, shared style or kind: what a removed one had. */
  overrides: z.record(ownerIdSchema, declarationsSchema).optional(),
  /** Its place in the order; sorted in where it isn't given. */
  ...placeFields,
  /** Breakpoints that take over from it, and at which place among those they take over. */
  takers: z
    .array(z.strictObject({ id: breakpointIdSchema, place: z.number().int().min(0) }))
    .max(LIMITS.breakpoints)
    .optional(),
});
type AddBreakpoint = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly addBreakpoint: AddBreakpoint;
  }
}

export const addBreakpoint: EditKind<AddBreakpoint> = {
  schema,
  apply(project, { breakpoint, overrides = {}, takers = [], ...place }) {
    if (project.breakpoints.some((other) => other.id === breakpoint.id)) throw new EditError('This breakpoint is there already.');
    if (project.breakpoints.length >= LIMITS.breakpoints)
      throw new EditError(`A project has at most ${LIMITS.breakpoints} breakpoints.`);
    if (breakpoint.also?.some((id) => !project.breakpoints.some((other) => other.id === id)))
      throw new EditError('It takes over from a breakpoint that has been removed.');
    const index = place.index === undefined ? undefined : indexIn(idsOf(project.breakpoints), place);
    const breakpoints = placed(project.breakpoints, breakpoint, index).map((one) => {
      const taker = takers.find(({ id }) => id === one.id);
      return taker ? { ...one, also: (one.also ?? []).toSpliced(taker.place, 0, breakpoint.id) } : one;
    });
    if (hasCycle(breakpoints)) throw new EditError('Breakpoints would take over from each other in a circle.');
    const writer = new ValueWriter({ ...project, breakpoints });
    // Owners that aren't there any more are left out.
    for (const [owner, declarations] of Object.entries(overrides).filter(([id]) => stylesOf(project, id)))
      for (const [property, value] of Object.entries(declarations)) writer.write({ owner, at: breakpoint.id, property, value });
    return { document: writer.finish().document, inverse: { type: 'removeBreakpoint', id: breakpoint.id } };
  },
  footprint: (before, after, { breakpoint }) => breakpointFootprint(before, after, takenBy(after.breakpoints, breakpoint.id)),
  describe: (_, { breakpoint }) => `Add breakpoint ${breakpoint.name} (${describeCondition(breakpoint.condition)})`,
  anchor: ({ project }, edit) => anchored(idsOf(project.breakpoints), edit),
};
