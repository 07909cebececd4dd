import { z } from 'zod';
import { breakpointIdSchema, breakpointNameSchema } from '../breakpoints/breakpoint';
import type { EditKind } from './edit';
import { laterWins } from './edit';
import { requireBreakpoint } from './remove-breakpoint';

const schema = z.strictObject({ type: z.literal('renameBreakpoint'), id: breakpointIdSchema, name: breakpointNameSchema });
type RenameBreakpoint = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly renameBreakpoint: RenameBreakpoint;
  }
}

export const renameBreakpoint: EditKind<RenameBreakpoint> = {
  schema,
  apply(project, { id, name }) {
    const breakpoint = requireBreakpoint(project, id);
    const breakpoints = project.breakpoints.map((one) => (one.id === id ? { ...one, name } : one));
    return { document: { ...project, breakpoints }, inverse: { type: 'renameBreakpoint', id, name: breakpoint.name } };
  },
  footprint: () => ({}),
  describe: (_, { name }) => `Rename a breakpoint to ${name}`,
  merge: laterWins('id'),
};
