import { z } from 'zod';
import { breakpointIdSchema, hasCycle, placed } from '../breakpoints/breakpoint';
import type { Breakpoint } from '../breakpoints/breakpoint';
import { conditionSchema, describeCondition } from '../breakpoints/condition';
import { LIMITS } from '../document/limits';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { anchored, idsOf, placeFields, placeOf } from './list-place';
import { besides, changedFootprint, indexBesides } from './move-breakpoint';
import { requireBreakpoint } from './remove-breakpoint';

const schema = z.strictObject({
  type: z.literal('changeBreakpoint'),
  id: breakpointIdSchema,
  condition: conditionSchema.optional(),
  /** Breakpoints whose overrides it takes over; an empty list for none. */
  also: z.array(breakpointIdSchema).max(LIMITS.breakpoints).readonly().optional(),
  /** Its place in the order, counted without itself; where a changed condition has no place given, by the default order. */
  ...placeFields,
});
type ChangeBreakpoint = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly changeBreakpoint: ChangeBreakpoint;
  }
}

/** Another condition, others to take over from, or another place in the order that decides who wins. */
export const changeBreakpoint: EditKind<ChangeBreakpoint> = {
  schema,
  apply(project, { id, condition, also, ...place }) {
    const breakpoint = requireBreakpoint(project, id);
    const at = project.breakpoints.indexOf(breakpoint);
    const { also: before, ...rest } = breakpoint;
    const taken = also ?? before ?? [];
    if (taken.includes(id)) throw new EditError("A breakpoint can't take over from itself.");
    if (taken.some((one) => !project.breakpoints.some((other) => other.id === one)))
      throw new EditError('It takes over from a breakpoint that has been removed.');
    const changed: Breakpoint = {
      ...rest,
      condition: condition ?? breakpoint.condition,
      ...(taken.length > 0 && { also: taken }),
    };
    const breakpoints = placed(project.breakpoints, changed, indexBesides(project, id, place) ?? (condition ? undefined : at));
    if (hasCycle(breakpoints)) throw new EditError(`${breakpoint.name} would, by way of others, take over from itself.`);
    return {
      document: { ...project, breakpoints },
      inverse: {
        type: 'changeBreakpoint',
        id,
        ...(condition && { condition: breakpoint.condition }),
        ...(also && { also: [...(before ?? [])] }),
        ...placeOf(idsOf(project.breakpoints), id),
      },
    };
  },
  footprint: changedFootprint,
  merge(earlier, later) {
    if (earlier.id !== later.id) return undefined;
    // A changed condition sorts it in anew, wherever it was put before.
    const { index: _, after: __, ...rest } = earlier;
    return later.condition || later.index !== undefined ? { ...rest, ...later } : { ...earlier, ...later };
  },
  anchor: ({ project }, edit) => anchored(besides(project, edit.id), edit),
  describe(project, { id, condition, also, index }) {
    const name = project.breakpoints.find((one) => one.id === id)?.name ?? 'a breakpoint';
    if (condition) return `Change ${name} to ${describeCondition(condition)}`;
    if (also) return also.length > 0 ? `Let ${name} take over others' values` : `Let ${name} take over nothing`;
    return index === undefined ? `Change ${name}` : `Put ${name} at place ${index + 1} of the order`;
  },
};
