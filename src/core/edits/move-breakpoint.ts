import { z } from 'zod';
import { breakpointIdSchema, breakpointSchema, placed, takenBy } from '../breakpoints/breakpoint';
import type { Breakpoint } from '../breakpoints/breakpoint';
import type { Edge } from '../breakpoints/condition';
import { describeCondition, edgesOf, withEdge } from '../breakpoints/condition';
import { LIMITS } from '../document/project';
import type { Project } from '../document/project';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { breakpointFootprint } from './footprint';
import { requireBreakpoint } from './remove-breakpoint';

const schema = z.strictObject({
  type: z.literal('moveBreakpoint'),
  id: breakpointIdSchema,
  /** The new edge in px: exclusive where the condition ends, inclusive where it begins. */
  edge: z.number('A breakpoint needs a width in px.'),
  /** Which of its edges; needed only where it has two. */
  side: z.enum(['from', 'below']).optional(),
  /** Its place in the order; by the default order where it isn't given. */
  index: z.number().int().min(0).max(LIMITS.breakpoints).optional(),
});
export type MoveBreakpoint = z.infer<typeof schema>;

/** @throws EditError when it has no such edge, or two and none is named. */
function requireEdge({ name, condition }: Breakpoint, side: Edge['side'] | undefined): Edge {
  const edges = edgesOf(condition).filter((edge) => !side || edge.side === side);
  if (edges.length !== 1)
    throw new EditError(`"${name}" ${edges.length ? 'has two edges' : "isn't bound to a width"}.`);
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

export const moveBreakpoint: EditKind<MoveBreakpoint> = {
  schema,
  apply(project, { id, edge, side, index }) {
    const breakpoint = requireBreakpoint(project, id);
    const before = requireEdge(breakpoint, side);
    const moved = breakpointSchema.safeParse({
      ...breakpoint,
      condition: withEdge(breakpoint.condition, before.side, edge),
    });
    if (!moved.success) throw new EditError(moved.error.issues[0]!.message);
    return {
      document: { ...project, breakpoints: placed(project.breakpoints, moved.data, index) },
      inverse: {
        type: 'moveBreakpoint',
        id,
        edge: before.at,
        side: before.side,
        index: project.breakpoints.indexOf(breakpoint),
      },
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
};
