import { z } from 'zod';
import type { At } from '../breakpoints/breakpoint';
import { atSchema } from '../breakpoints/breakpoint';
import { isInert } from './html';

/** What makes an element one of several alternates, of which exactly one shows at any viewport. */
export const alternateSchema = z
  .strictObject({
    set: z.string().regex(/^h[a-z0-9]{1,24}$/, 'Not a set of alternates.'),
    /** The places at which this one is chosen. Places whose breakpoint has gone are kept and don't count. */
    at: z.array(atSchema).max(60, 'One of the alternates is chosen at too many places.').readonly(),
    /** Built in the page only when it is first shown. */
    later: z.literal(true).optional(),
  })
  .transform(({ set, at, later }): Alternate => ({ set, at: [...new Set(at)], ...(later && { later }) }));
export interface Alternate {
  readonly set: string;
  readonly at: readonly At[];
  readonly later?: true | undefined;
}

/** What shows nothing by itself, stands in something that shows it as it likes, or is the whole page. */
const NEVER_ALTERNATE: ReadonlySet<string> = new Set(
  'body br wbr col colgroup option optgroup source track param area rt rp legend summary'.split(' '),
);

export const canBeAlternate = (tag: string): boolean => !NEVER_ALTERNATE.has(tag) && !isInert(tag);
