import { z } from 'zod';
import { breakpointIdSchema, breakpointSchema, defaultOrder } from '../breakpoints/breakpoint';
import { conditionEdge, describeCondition, withEdge } from '../breakpoints/condition';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { requireFreeCondition } from './add-breakpoint';
import { breakpointFootprint } from './footprint';
import { requireBreakpoint } from './remove-breakpoint';

const schema = z.strictObject({
  type: z.literal('moveBreakpoint'),
  id: breakpointIdSchema,
  /** The new edge in px: exclusive for a downward breakpoint, inclusive for an upward one. */
  edge: z.number('A breakpoint needs a width in px.'),
});
export type MoveBreakpoint = z.infer<typeof schema>;

export const moveBreakpoint: EditKind<MoveBreakpoint> = {
  schema,
  apply(project, { id, edge }) {
    const breakpoint = requireBreakpoint(project, id);
    const moved = breakpointSchema.safeParse({ ...breakpoint, condition: withEdge(breakpoint.condition, edge) });
    if (!moved.success) throw new EditError(moved.error.issues[0]!.message);
    requireFreeCondition(project, moved.data);
    const breakpoints = project.breakpoints.map((one) => (one.id === id ? moved.data : one)).sort(defaultOrder);
    return {
      document: { ...project, breakpoints },
      inverse: { type: 'moveBreakpoint', id, edge: conditionEdge(breakpoint.condition) },
    };
  },
  // The order may change with the move, and with it who wins among all.
  footprint: (before, after) =>
    breakpointFootprint(
      before,
      after,
      before.breakpoints.map((breakpoint) => breakpoint.id),
    ),
  describe(project, { id, edge }) {
    const breakpoint = project.breakpoints.find((one) => one.id === id);
    return breakpoint
      ? `Move ${breakpoint.name} to ${describeCondition(withEdge(breakpoint.condition, edge))}`
      : 'Move a breakpoint';
  },
};
