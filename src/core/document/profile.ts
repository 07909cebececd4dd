import { z } from 'zod';

export const ACCEPTED_MOST = 2_000;
/** What the gauge shows; px. */
const AUDITED = { least: 240, most: 2_560 } as const;

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

const width = z
  .number('The audit looks at whole px.')
  .int('The audit looks at whole px.')
  .min(AUDITED.least, `The audit begins at ${AUDITED.least} px at the narrowest.`)
  .max(AUDITED.most, `The audit ends at ${AUDITED.most} px at the widest.`);

export const widthRangeSchema = z
  .strictObject({ first: width, last: width })
  .refine(({ first, last }) => first < last, 'The audit begins at a narrower width than it ends at.');
/** Every whole px from the first to the last. */
export interface WidthRange {
  readonly first: number;
  readonly last: number;
}

export const profileSchema = z.strictObject({
  range: widthRangeSchema,
  checks: z.record(checkIdSchema, tuningSchema),
  accepted: z.array(acceptedSchema).max(ACCEPTED_MOST),
});
/** What a project asks of its pages: widths, checks that are off, numbers set otherwise, findings taken as they are. */
export interface Profile {
  /** The widths at which pages are audited. */
  readonly range: WidthRange;
  readonly checks: Readonly<Record<string, Tuning>>;
  readonly accepted: readonly Accepted[];
}

export const PLAIN_PROFILE: Profile = { range: { first: 320, last: 1920 }, checks: {}, accepted: [] };
