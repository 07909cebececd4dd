import { z } from 'zod';
import { atSchema } from '../breakpoints/breakpoint';
import { isProperty } from '../styles/properties';
import { CUSTOM_PROPERTY } from '../styles/custom';
import { HTML_ELEMENTS, whyNotAttribute } from './html';
import type { GIVEN_KINDS } from './kinds';
import { givenKindSchema } from './kinds';

export type GivenKind = (typeof GIVEN_KINDS)[number];

export const TEXT_MAX = 20_000;
export const VALUE_MAX = 2_000;

export const elementIdSchema = z.string().regex(/^e[a-z0-9]{1,24}$/, 'Not an element id.');
export const sharedIdSchema = z.string().regex(/^s[a-z0-9]{1,24}$/, 'Not a shared style id.');

export const nameSchema = z
  .string('A name is needed.')
  .trim()
  .min(1, "A name can't be empty.")
  .max(80, 'A name has at most 80 characters.');

export const textSchema = z.string('A text is needed.').max(TEXT_MAX, `A text has at most ${TEXT_MAX} characters.`);

/** Longhand property, or custom property such as `--space`, to value, both as CSS writes them. */
export const declarationsSchema = z.record(
  z.string().refine((name) => isProperty(name) || CUSTOM_PROPERTY.test(name), {
    error: (issue) => `"${String(issue.input)}" isn't a property known here.`,
  }),
  z.string().min(1).max(VALUE_MAX, `A value has at most ${VALUE_MAX} characters.`),
);
export type Declarations = Readonly<Record<string, string>>;

/** Declarations at the base and under breakpoints. */
export const styleSetSchema = z.record(atSchema, declarationsSchema);
export type StyleSet = Readonly<Record<string, Declarations>>;

export const elementSchema = z
  .strictObject({
    id: elementIdSchema,
    tag: z.string().refine((tag) => tag in HTML_ELEMENTS, {
      error: (issue) => `<${String(issue.input).slice(0, 40)}> isn't an element that a page here can hold.`,
    }),
    name: nameSchema,
    attributes: z.record(z.string(), z.string().max(2_000)),
    /** Its text; only where there are no children. */
    text: textSchema.optional(),
    children: z.array(elementIdSchema),
    /** Shared styles carried. Their order of strength is the project's, not this list's. */
    shared: z.array(sharedIdSchema),
    styles: styleSetSchema,
    kind: givenKindSchema.optional(),
    locked: z.literal(true).optional(),
    first: z.literal(true).optional(),
  })
  .superRefine((element, context) => {
    const rule = HTML_ELEMENTS[element.tag];
    if (element.kind && rule?.content !== 'flow')
      context.addIssue({ code: 'custom', message: `<${element.tag}> holds nothing, so it can't be a row or a grid.` });
    if (element.text !== undefined && element.children.length > 0)
      context.addIssue({ code: 'custom', message: `"${element.name}" has both a text and children.` });
    if (rule?.content === 'void' && element.text)
      context.addIssue({ code: 'custom', message: `<${element.tag}> holds no text.` });
    for (const [name, value] of Object.entries(element.attributes)) {
      const why = whyNotAttribute(element.tag, name, value);
      if (why) context.addIssue({ code: 'custom', message: why, path: ['attributes', name] });
    }
  });

export interface PageElement {
  readonly id: string;
  readonly tag: string;
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly text?: string | undefined;
  readonly children: readonly string[];
  readonly shared: readonly string[];
  readonly styles: StyleSet;
  /** A kind given by people, in place of the one that the tag has. */
  readonly kind?: GivenKind | undefined;
  /** Left alone by presses, drags and removals on the page. */
  readonly locked?: true | undefined;
  /** Must be seen first: an audit says where it isn't in the first screenful. */
  readonly first?: true | undefined;
}

/** The kind's word, for names made by the program: "Button", "List", "Heading". */
const KIND_WORDS: Readonly<Record<string, string>> = {
  a: 'Link', button: 'Button', ul: 'List', ol: 'List', li: 'Item', p: 'Text', span: 'Text', img: 'Picture', nav: 'Navigation',
  header: 'Header', footer: 'Footer', main: 'Main', section: 'Section', article: 'Article', aside: 'Aside', div: 'Group',
  form: 'Form', input: 'Field', textarea: 'Field', label: 'Label', table: 'Table', tr: 'Row', td: 'Cell', th: 'Heading cell',
  h1: 'Heading', h2: 'Heading', h3: 'Heading', h4: 'Heading', h5: 'Heading', h6: 'Heading', figure: 'Figure',
}; // prettier-ignore

/** A name from what an element says and is: its own words where it has some, else its kind. */
export function suggestName(tag: string, text?: string): string {
  const words = (text ?? '').trim().replace(/\s+/g, ' ');
  if (words.length > 0) return words.length <= 28 ? words : `${words.slice(0, 27).trimEnd()}…`;
  return KIND_WORDS[tag] ?? tag;
}
