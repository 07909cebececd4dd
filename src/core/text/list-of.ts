import { z } from 'zod';

/**
 * A list from outside whose entries are read one by one up to the first that is wrong, so that a list of many thousand
 * wrong entries costs no more to refuse than one.
 */
export function listOf<S extends z.ZodType>(entry: S, most: number, tooMany: string) {
  return z
    .array(z.unknown())
    .max(most, tooMany)
    .transform((list, context): z.output<S>[] => {
      const read: z.output<S>[] = [];
      for (const [index, one] of list.entries()) {
        const result = entry.safeParse(one);
        if (result.success) {
          read.push(result.data);
          continue;
        }
        const [issue] = result.error.issues;
        context.addIssue({ code: 'custom', message: issue!.message, path: [index, ...issue!.path] });
        return z.NEVER;
      }
      return read;
    });
}
