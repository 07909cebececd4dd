import { z } from 'zod';

/** What a project asks of its pages: checks that are off, numbers set otherwise, and findings taken as they are. */
export const ACCEPTED_MOST = 2_000;

const checkIdSchema = z.string().regex(/^[a-z][a-z0-9-]{1,40}$/, 'Not the name of a check.');

export const tuningSchema = z.strictObject({
  off: z.literal(true).optional(),
  limits: z.record(z.string().max(40), z.number()).optional(),
});
export interface Tuning {
  readonly off?: true | undefined;
  /** By the name of the check's limit, in its unit. */
  readonly limits?: Readonly<Record<string, number>> | undefined;
}

export const acceptedSchema = z.strictObject({
  check: checkIdSchema,
  element: z.string().max(200),
  reason: z.string().trim().min(3, 'Say in a few words why it is fine.').max(500, 'A reason has at most 500 characters.'),
});
/** A finding that is fine as it is, and why. */
export interface Accepted {
  readonly check: string;
  readonly element: string;
  readonly reason: string;
}

export const profileSchema = z.strictObject({
  checks: z.record(checkIdSchema, tuningSchema),
  accepted: z.array(acceptedSchema).max(ACCEPTED_MOST),
});
export interface Profile {
  readonly checks: Readonly<Record<string, Tuning>>;
  readonly accepted: readonly Accepted[];
}

export const PLAIN_PROFILE: Profile = { checks: {}, accepted: [] };
