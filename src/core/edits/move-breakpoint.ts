import { z } from 'zod';
import type { Breakpoint } from '../breakpoints/breakpoint';
import { breakpointIdSchema, breakpointSchema, placed, takenBy } from '../breakpoints/breakpoint';
import type { Edge } from '../breakpoints/condition';
import { describeCondition, edgesOf, withEdge } from '../breakpoints/condition';
import type { Project } from '../document/project';
import type { EditKind } from './edit';
import { EditError, laterWins } from './edit';
import { breakpointFootprint } from './footprint';
import type { ListPlace } from './list-place';
import { anchored, idsOf, indexIn, placeFields, placeOf } from './list-place';
import { requireBreakpoint } from './remove-breakpoint';

const schema = z.strictObject({
  type: z.literal('moveBreakpoint'),
  id: breakpointIdSchema,
  /** The new edge in px: exclusive where the condition ends, inclusive where it begins. */
  edge: z.number('A breakpoint needs a width in px.'),
  /** Which of its edges; needed only where it has two. */
  side: z.enum(['from', 'below']).optional(),
  /** Its place in the order, counted without itself; by the default order where it isn't given. */
  ...placeFields,
});
type MoveBreakpoint = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly moveBreakpoint: MoveBreakpoint;
  }
}

/** @throws EditError when it has no such edge, or two and none is named. */
function requireEdge({ name, condition }: Breakpoint, side: Edge['side'] | undefined): Edge {
  const edges = edgesOf(condition).filter((edge) => !side || edge.side === side);
  if (edges.length !== 1) throw new EditError(`"${name}" ${edges.length ? 'has two edges' : "isn't bound to a width"}.`);
  return edges[0]!;
}

/**
 * What another condition, another place in the order or other breakpoints to take over from can reach: the values that
 * hold where it does. All others keep their order among each other, and so their winners.
 */
export function changedFootprint(before: Project, after: Project, { id }: { readonly id: string }) {
  return breakpointFootprint(before, after, [
    ...new Set([...takenBy(before.breakpoints, id), ...takenBy(after.breakpoints, id)]),
  ]);
}

/** The ids of the breakpoints besides one, in order: what its place is counted in. */
export const besides = (project: Project, id: string) => idsOf(project.breakpoints).filter((one) => one !== id);

/** The index of a place among the others; undefined where none is given. */
export const indexBesides = (project: Project, id: string, place: ListPlace) =>
  place.index === undefined ? undefined : indexIn(besides(project, id), place);

export const moveBreakpoint: EditKind<MoveBreakpoint> = {
  schema,
  apply(project, { id, edge, side, ...place }) {
    const breakpoint = requireBreakpoint(project, id);
    const before = requireEdge(breakpoint, side);
    const moved = breakpointSchema.safeParse({ ...breakpoint, condition: withEdge(breakpoint.condition, before.side, edge) });
    if (!moved.success) throw new EditError(moved.error.issues[0]!.message);
    return {
      document: { ...project, breakpoints: placed(project.breakpoints, moved.data, indexBesides(project, id, place)) },
      inverse: { type: 'moveBreakpoint', id, edge: before.at, side: before.side, ...placeOf(idsOf(project.breakpoints), id) },
    };
  },
  footprint: changedFootprint,
  describe(project, { id, edge, side }) {
    const breakpoint = project.breakpoints.find((one) => one.id === id);
    const which = side ?? (breakpoint && edgesOf(breakpoint.condition)[0]?.side);
    return breakpoint && which
      ? `Move ${breakpoint.name} to ${describeCondition(withEdge(breakpoint.condition, which, edge))}`
      : 'Move a breakpoint';
  },
  merge: laterWins('id', 'side'),
  anchor: ({ project }, edit) => anchored(besides(project, edit.id), edit),
};
