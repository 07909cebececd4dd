import { z } from 'zod';
import { attributesSchema } from './attribute-fields';
import { textSchema } from './content';
import type { PseudoStyles, StyleSet } from './style-sets';
import { pseudoStylesSchema, styleSetSchema } from './style-sets';

/** How many parts may stand in each other. */
export const NESTED_PARTS_MOST = 6;

export const partIdSchema = z.string().regex(/^m[a-z0-9]{1,24}$/, 'Not a part id.');

const PATH = `e[a-z0-9]{1,24}(\\.e[a-z0-9]{1,24}){0,${NESTED_PARTS_MOST}}`;

/** An element by id, be it one that a use of a part shows: "e12", or "e12.e7", the part's e7 where e12 uses it. */
export const shownIdSchema = z.string().regex(new RegExp(`^${PATH}$`), 'Not an element id.');

/** Which element of a part, seen from its use: "e7", "e7.e2" through a part in it; empty for the part's top. */
export const placeSchema = z.string().regex(new RegExp(`^(${PATH})?$`), 'Not a place in a part.');

/** What a use says otherwise of one element of its part. */
export interface Saying {
  readonly styles: StyleSet;
  readonly pseudo?: PseudoStyles | undefined;
  readonly attributes?: Readonly<Record<string, string>> | undefined;
  /** One text for every gap between the elements in it, the ends included. */
  readonly texts?: readonly string[] | undefined;
  /** Left out of the page, with all in it. */
  readonly hidden?: true | undefined;
}

/** What makes an element the use of a part. */
export interface Use {
  readonly part: string;
  /** By place in the part. Of places that the part no longer has it is kept, and not shown. */
  readonly says: Readonly<Record<string, Saying>>;
}

const sayingSchema = z
  .strictObject({
    styles: styleSetSchema.default({}),
    pseudo: pseudoStylesSchema,
    attributes: attributesSchema.optional(),
    texts: z.array(textSchema).readonly().optional(),
    hidden: z.literal(true).optional(),
  })
  .transform(asKept);

export const useSchema = z.strictObject({
  part: partIdSchema,
  says: z
    .record(placeSchema, sayingSchema)
    .transform((says) => Object.fromEntries(Object.entries(says).filter(([, saying]) => !saysNothing(saying)))),
});

/** Without fields that say nothing, so that the same is always kept in the same form. */
function asKept({ styles, pseudo, attributes, texts, hidden }: Saying): Saying {
  return {
    styles,
    ...(pseudo && { pseudo }),
    ...(attributes && Object.keys(attributes).length > 0 && { attributes }),
    ...(texts && { texts }),
    ...(hidden && { hidden }),
  };
}

const saysNothing = (saying: Saying) => Object.keys(saying).length === 1 && Object.keys(saying.styles).length === 0;

const NOTHING: Saying = { styles: {} };

export const sayingOf = (use: Use | undefined, path: string): Saying => use?.says[path] ?? NOTHING;

/** The same use with something else said of one element; what says nothing isn't kept. */
export function withSaying(use: Use, path: string, change: Partial<Saying>): Use {
  const saying = asKept({ ...sayingOf(use, path), ...change });
  const { [path]: _, ...others } = use.says;
  return { ...use, says: saysNothing(saying) ? others : { ...others, [path]: saying } };
}

/** Whether an id is that of an element which only a use shows. */
export const isInUse = (id: string): boolean => id.includes('.');

/** The element that keeps what is said of another, and of which place in its part: e12 and "e7" for "e12.e7". */
export function splitShownId(id: string): { readonly holder: string; readonly path: string } {
  const dot = id.indexOf('.');
  return dot < 0 ? { holder: id, path: '' } : { holder: id.slice(0, dot), path: id.slice(dot + 1) };
}

/** The id under which an element of a part is shown by a use. @param top the part's top, which the use itself shows */
export const shownId = (useId: string, top: string, id: string): string => (id === top ? useId : `${useId}.${id}`);
