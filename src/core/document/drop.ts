import { z } from 'zod';
import { breakpointIdSchema } from '../breakpoints/breakpoint';
import { elementIdSchema } from './content';

/** Items of one row that drop away, at most. */
export const DROPS_MOST = 12;

const itemSchema = z.strictObject({
  item: elementIdSchema,
  /** The breakpoint at which it drops away: one that is there for that. */
  at: breakpointIdSchema,
  /** What shows in the menu in its place. */
  copy: elementIdSchema.optional(),
});

/**
 * Which items of a row drop away one after the other as room runs out: the first ones first. That they do is said by ordinary values at
 * breakpoints; this says which of those belong together, so that they can be fitted again when the items have changed.
 */
export const dropsSchema = z.strictObject({
  items: z.array(itemSchema).min(1).max(DROPS_MOST, `At most ${DROPS_MOST} items drop out of a row.`).readonly(),
  /** What shows where some have dropped: the way to the menu. */
  more: elementIdSchema.optional(),
});
export type Drops = z.infer<typeof dropsSchema>;
