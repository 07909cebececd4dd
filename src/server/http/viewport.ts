import { z } from 'zod';
import { MOTIONS, POINTERS, SCHEMES } from '@/core/breakpoints';

const side = z
  .number()
  .int('A viewport is in whole px.')
  .min(1, 'A viewport has at least 1 px a side.')
  .max(6_000, 'A viewport has at most 6000 px a side.');

/** A viewport and its reader, as requests give them. */
export const viewportSchema = z.strictObject({
  width: side,
  height: side,
  pointer: z.enum(POINTERS),
  scheme: z.enum(SCHEMES).optional(),
  motion: z.enum(MOTIONS).optional(),
  density: z.number().min(0.5).max(6).optional(),
  text: z.number().min(1).max(2).optional(),
});
