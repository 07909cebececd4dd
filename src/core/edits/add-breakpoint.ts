import { z } from 'zod';
import { breakpointSchema, defaultOrder } from '../breakpoints/breakpoint';
import type { Breakpoint } from '../breakpoints/breakpoint';
import { conditionEdge, describeCondition } from '../breakpoints/condition';
import { declarationsSchema } from '../document/element';
import type { Project } from '../document/project';
import { LIMITS } from '../document/project';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { breakpointFootprint } from './footprint';
import { withOverrides } from './owners';

const schema = z.strictObject({
  type: z.literal('addBreakpoint'),
  breakpoint: breakpointSchema,
  /** Values it brings along, by element or shared style: what a removed one had. */
  overrides: z.record(z.string(), declarationsSchema).optional(),
});
export type AddBreakpoint = z.infer<typeof schema>;

/** @throws EditError when another breakpoint holds at exactly the same widths. */
export function requireFreeCondition(project: Project, breakpoint: Pick<Breakpoint, 'id' | 'condition'>): void {
  const direction = Object.keys(breakpoint.condition)[0]!;
  const same = project.breakpoints.find(
    (other) =>
      other.id !== breakpoint.id &&
      direction in other.condition &&
      conditionEdge(other.condition) === conditionEdge(breakpoint.condition),
  );
  if (same) throw new EditError(`"${same.name}" already holds at ${describeCondition(breakpoint.condition)}.`);
}

export const addBreakpoint: EditKind<AddBreakpoint> = {
  schema,
  apply(project, { breakpoint, overrides }) {
    if (project.breakpoints.some((other) => other.id === breakpoint.id))
      throw new EditError('This breakpoint is there already.');
    if (project.breakpoints.length >= LIMITS.breakpoints)
      throw new EditError(`A project has at most ${LIMITS.breakpoints} breakpoints.`);
    requireFreeCondition(project, breakpoint);
    const added: Project = { ...project, breakpoints: [...project.breakpoints, breakpoint].sort(defaultOrder) };
    const document = overrides ? withOverrides(added, breakpoint.id, overrides) : added;
    return { document, inverse: { type: 'removeBreakpoint', id: breakpoint.id } };
  },
  footprint: (before, after, { breakpoint }) => breakpointFootprint(before, after, [breakpoint.id]),
  describe: (_, { breakpoint }) => `Add breakpoint ${breakpoint.name} (${describeCondition(breakpoint.condition)})`,
};
