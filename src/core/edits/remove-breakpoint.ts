import { z } from 'zod';
import { breakpointIdSchema, takenBy, withoutBreakpoint } from '../breakpoints/breakpoint';
import type { Breakpoint } from '../breakpoints/breakpoint';
import type { Project } from '../document/project';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { breakpointFootprint } from './footprint';
import { overridesUnder, withOverrides } from './owners';

const schema = z.strictObject({ type: z.literal('removeBreakpoint'), id: breakpointIdSchema });
export type RemoveBreakpoint = z.infer<typeof schema>;

export function requireBreakpoint(project: Project, id: string): Breakpoint {
  const breakpoint = project.breakpoints.find((one) => one.id === id);
  if (!breakpoint) throw new EditError('This breakpoint has been removed.');
  return breakpoint;
}

/** Removes a breakpoint and all that is written under it. */
export const removeBreakpoint: EditKind<RemoveBreakpoint> = {
  schema,
  apply(project, { id }) {
    const breakpoint = requireBreakpoint(project, id);
    const overrides = overridesUnder(project, id);
    const without = withOverrides(project, id, {});
    const takers = project.breakpoints.flatMap((one) =>
      one.also?.includes(id) ? [{ id: one.id, place: one.also.indexOf(id) }] : [],
    );
    const document: Project = { ...without, breakpoints: withoutBreakpoint(project.breakpoints, id) };
    return {
      document,
      inverse: {
        type: 'addBreakpoint',
        breakpoint,
        index: project.breakpoints.indexOf(breakpoint),
        ...(Object.keys(overrides).length && { overrides }),
        ...(takers.length > 0 && { takers }),
      },
    };
  },
  footprint: (before, after, { id }) => breakpointFootprint(before, after, takenBy(before.breakpoints, id)),
  describe: (project, { id }) => `Remove breakpoint ${project.breakpoints.find((one) => one.id === id)?.name ?? ''}`,
};
