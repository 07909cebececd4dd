import { z } from 'zod';

/** What people call something: 1 to 80 characters, without spaces around it. */
export const nameSchema = z
  .string('A name is needed.')
  .trim()
  .min(1, "A name can't be empty.")
  .max(80, 'A name has at most 80 characters.');
