import { z } from 'zod';

/** A project in the list. */
export const summarySchema = z.object({
  id: z.string(),
  name: z.string(),
  pages: z.number(),
  breakpoints: z.number(),
  revision: z.number(),
  updatedAt: z.string(),
});
export type ProjectSummary = z.infer<typeof summarySchema>;
