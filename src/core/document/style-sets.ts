import { z } from 'zod';
import { atSchema } from '../breakpoints/breakpoint';
import { CUSTOM_PROPERTY } from '../styles/custom';
import { isProperty } from '../styles/properties';
import { checkValue } from '../styles/value';
import { kindIdSchema } from './kinds';
import type { Pseudo } from './pseudo';
import { pseudoSchema, splitPseudo, whyNotOn } from './pseudo';

/**
 * Longhand property, or custom property such as `--space`, to value, both as CSS writes them. A value is what
 * `checkValue` takes, so that nothing which stands in a document can leave its declaration.
 */
export const declarationsSchema = z.record(z.string(), z.string()).superRefine((declarations, context) => {
  for (const [property, value] of Object.entries(declarations)) {
    const checked = isProperty(property) || CUSTOM_PROPERTY.test(property) ? checkValue(property, value) : undefined;
    if (checked?.ok) continue;
    const message = checked?.message ?? `"${property.slice(0, 60)}" isn't a property known here.`;
    context.addIssue({ code: 'custom', message, path: [property] });
    return;
  }
});
export type Declarations = Readonly<Record<string, string>>;

/** Declarations at the base and under breakpoints. */
export type StyleSet = Readonly<Record<string, Declarations>>;
const anyStyleSetSchema = z.record(atSchema, declarationsSchema).transform(withoutEmpty);

/** A place without values isn't kept. */
function withoutEmpty<V extends object>(styles: Readonly<Record<string, V>>): Record<string, V> {
  const kept = Object.entries(styles).filter(([, values]) => Object.keys(values).length > 0);
  return Object.fromEntries(kept);
}

/** What an element looks like in its states, and what its other boxes look like. */
export type PseudoStyles = Readonly<Record<Pseudo, StyleSet>>;

function misplaced(pseudo: Pseudo, styles: StyleSet): { readonly message: string; readonly path: string[] } | undefined {
  for (const at in styles)
    for (const property in styles[at]) {
      const message = whyNotOn(pseudo, property);
      if (message) return { message, path: [at, property] };
    }
  return undefined;
}

export const styleSetSchema = anyStyleSetSchema.superRefine((styles, context) => {
  const problem = misplaced('', styles);
  if (problem) context.addIssue({ code: 'custom', ...problem });
});

export const pseudoStylesSchema = z
  .record(pseudoSchema, anyStyleSetSchema)
  .transform(withoutEmpty)
  .superRefine((sets, context) => {
    for (const [pseudo, styles] of Object.entries(sets)) {
      const problem = misplaced(pseudo, styles);
      if (problem) context.addIssue({ code: 'custom', ...problem, path: [pseudo, ...problem.path] });
    }
  })
  .optional()
  .transform((sets) => (sets && Object.keys(sets).length > 0 ? sets : undefined));

/** What kinds say, by id; in states and for other boxes by the id with the suffix behind it. */
export const kindStylesSchema = z
  .record(
    z.string().refine((id) => {
      const { id: kind, pseudo } = splitPseudo(id);
      return kindIdSchema.safeParse(kind).success && (pseudo === '' || pseudoSchema.safeParse(pseudo).success);
    }, 'Not a kind of elements.'),
    anyStyleSetSchema,
  )
  .superRefine((kinds, context) => {
    for (const [id, styles] of Object.entries(kinds)) {
      const problem = misplaced(splitPseudo(id).pseudo, styles);
      if (problem) context.addIssue({ code: 'custom', ...problem, path: [id, ...problem.path] });
    }
  });

/** Whatever has values: at rest, and perhaps in states and for other boxes. */
export interface Styled {
  readonly styles: StyleSet;
  readonly pseudo?: PseudoStyles | undefined;
}

/** All sets of values, each with its suffix: the empty one at rest. */
export function styleSetsOf({ styles, pseudo }: Styled): (readonly [Pseudo, StyleSet])[] {
  return pseudo ? [['', styles], ...Object.entries(pseudo)] : [['', styles]];
}

/** Every place's declarations, whatever the state or the box. */
export function allDeclarations(styled: Styled): Declarations[] {
  const { styles, pseudo } = styled;
  return pseudo ? styleSetsOf(styled).flatMap(([, one]) => Object.values(one)) : Object.values(styles);
}

const NONE: StyleSet = {};

export function styleSetOf({ styles, pseudo }: Styled, of: Pseudo): StyleSet {
  return of === '' ? styles : (pseudo?.[of] ?? NONE);
}

/** The same with another set; an empty one of a state or a box isn't kept. */
export function withStyleSet<S extends Styled>(styled: S, of: Pseudo, styles: StyleSet): S {
  if (of === '') return { ...styled, styles };
  const { pseudo: before, ...rest } = styled;
  const pseudo = Object.fromEntries(Object.entries(before ?? {}).filter(([key]) => key !== of));
  if (Object.keys(styles).length > 0) pseudo[of] = styles;
  return (Object.keys(pseudo).length > 0 ? { ...rest, pseudo } : rest) as S;
}
