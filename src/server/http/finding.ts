import { z } from 'zod';
import type { Finding } from '@/core/audit';
import { CHECKS, SEVERITIES } from '@/core/audit';

/** Chromium lays out and draws so much at once without anybody having to wait long. */
const SIDE_MOST = 10_000;
const side = z.number().min(1).max(SIDE_MOST, `A viewport has at most ${SIDE_MOST} px a side.`);
const width = z.number().min(0).max(100_000);

/** A finding as a client names it: what it is about is looked at anew, so nothing of it has to be believed. */
export const findingSchema = z.object({
  key: z.string().max(300),
  check: z.enum(CHECKS.map(({ id }) => id) as [string, ...string[]], 'There is no such check.'),
  severity: z.enum(SEVERITIES as unknown as ['broken', 'poor', 'note']),
  element: z.string().max(200),
  widths: z
    .array(z.object({ from: width, below: width }))
    .min(1)
    .max(2_000),
  sample: z.string().max(60).optional(),
  heights: z.array(side).max(100).optional(),
  worst: z.object({
    width: side,
    height: side.optional(),
    violation: z.object({
      element: z.string().max(200),
      amount: z.number(),
      measured: z.record(z.string(), z.number()),
      others: z.array(z.string().max(200)).max(50),
    }),
  }),
}) as unknown as z.ZodType<Finding>;

/** Findings in one request. */
export const FINDINGS_MOST = 1_000;

/** What is told as one entry: findings of one check, with the same rows. */
export const findingsOfOneCause = z
  .array(findingSchema)
  .min(1, 'There is no finding to mend.')
  .max(FINDINGS_MOST, `At most ${FINDINGS_MOST} findings are mended at once.`)
  .refine(
    (findings) => new Set(findings.map(({ check, sample }) => `${check} ${sample ?? ''}`)).size === 1,
    'Fixes are looked for by cause: all findings are of one check, with the same rows.',
  );
