import { z } from 'zod';
import type { Breakpoint } from '../breakpoints/breakpoint';
import { breakpointIdSchema, takenBy, withoutBreakpoint } from '../breakpoints/breakpoint';
import type { Project } from '../document/project';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { breakpointFootprint } from './footprint';
import { idsOf, placeOf } from './list-place';
import { overridesUnder } from './owners';
import { ValueWriter } from './value-writer';

const schema = z.strictObject({ type: z.literal('removeBreakpoint'), id: breakpointIdSchema });
type RemoveBreakpoint = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly removeBreakpoint: RemoveBreakpoint;
  }
}

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
    const writer = new ValueWriter(project);
    for (const [owner, declarations] of Object.entries(overrides))
      for (const property in declarations) writer.write({ owner, at: id, property, value: null });
    const takers = project.breakpoints.flatMap((one) =>
      one.also?.includes(id) ? [{ id: one.id, place: one.also.indexOf(id) }] : [],
    );
    return {
      document: { ...writer.finish().document, breakpoints: withoutBreakpoint(project.breakpoints, id) },
      inverse: {
        type: 'addBreakpoint',
        breakpoint,
        ...placeOf(idsOf(project.breakpoints), id),
        ...(Object.keys(overrides).length && { overrides }),
        ...(takers.length > 0 && { takers }),
      },
    };
  },
  footprint: (before, after, { id }) => breakpointFootprint(before, after, takenBy(before.breakpoints, id)),
  describe: (project, { id }) => `Remove breakpoint ${project.breakpoints.find((one) => one.id === id)?.name ?? ''}`,
};
