import { z } from 'zod';
import type { Tuning } from '../document/profile';
import { tuningSchema } from '../document/profile';
import type { EditKind } from './edit';
import { laterWins } from './edit';

const schema = z.strictObject({
  type: z.literal('tuneCheck'),
  check: z.string().regex(/^[a-z][a-z0-9-]{1,40}$/, 'Not the name of a check.'),
  /** All that the project says of it; null leaves it as usual. */
  tuning: tuningSchema.nullable(),
});
type TuneCheck = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly tuneCheck: TuneCheck;
  }
}

/** Turns a check on or off for the project, or sets its numbers. */
export const tuneCheck: EditKind<TuneCheck> = {
  schema,
  apply(project, { check, tuning }) {
    const before = Object.hasOwn(project.audit.checks, check) ? project.audit.checks[check] : undefined;
    const { [check]: _, ...rest } = project.audit.checks;
    const checks: Record<string, Tuning> = tuning ? { ...rest, [check]: tuning } : rest;
    return {
      document: { ...project, audit: { ...project.audit, checks } },
      inverse: { type: 'tuneCheck', check, tuning: before ?? null },
    };
  },
  footprint: () => ({}),
  merge: laterWins('check'),
  describe: (_, { check, tuning }) =>
    tuning?.off ? `Turn off the check ${check}` : tuning ? `Tune the check ${check}` : `Check ${check} as usual`,
};
