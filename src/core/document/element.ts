import { z } from 'zod';
import { nameSchema } from '../text';
import type { Alternate } from './alternate';
import { alternateSchema, canBeAlternate } from './alternate';
import { attributesSchema } from './attribute-fields';
import type { Child } from './content';
import { childrenSchema, elementIdSchema, isRun } from './content';
import { holdsElements, ruleOf, whyNotKeptAttribute, whyNotKeptText } from './html';
import { whyNotSource } from './foreign';
import type { GivenKind } from './kinds';
import { givenKindSchema } from './kinds';
import type { Panel } from './panel';
import { panelSchema, whyNoPanel } from './panel';
import type { Drops } from './drop';
import { dropsSchema } from './drop';
import { picturesSchema, whyNoPictures } from './shown-pictures';
import type { PseudoStyles, StyleSet } from './style-sets';
import { pseudoStylesSchema, styleSetSchema } from './style-sets';
import type { List } from './list';
import { listSchema } from './list';
import type { Use } from './use';
import { useSchema } from './use';

const SOURCE_MAX = 200_000;

export { elementIdSchema, textSchema } from './content';
export { declarationsSchema, styleSetSchema } from './style-sets';
export type { Declarations, StyleSet } from './style-sets';
export const sharedIdSchema = z.string().regex(/^s[a-z0-9]{1,24}$/, 'Not a shared style id.');

export const elementSchema = z
  .strictObject({
    id: elementIdSchema,
    tag: z
      .string()
      .refine((tag) => ruleOf(tag) !== undefined, {
        error: (issue) => `<${String(issue.input).slice(0, 40)}> isn't an element that a page here can hold.`,
      }),
    name: nameSchema,
    attributes: attributesSchema,
    children: childrenSchema,
    source: z.string().max(SOURCE_MAX, `A drawing has at most ${SOURCE_MAX} characters.`).optional(),
    /** Shared styles carried. Their order of strength is the project's, not this list's. */
    shared: z.array(sharedIdSchema),
    styles: styleSetSchema,
    pseudo: pseudoStylesSchema,
    kind: givenKindSchema.optional(),
    locked: z.literal(true).optional(),
    first: z.literal(true).optional(),
    alternate: alternateSchema.optional(),
    panel: panelSchema.optional(),
    pictures: picturesSchema.optional(),
    drops: dropsSchema.optional(),
    list: listSchema.optional(),
    use: useSchema.optional(),
  })
  .superRefine((element, context) => {
    const problem = elementProblem(element);
    if (problem) context.addIssue({ code: 'custom', ...problem, path: [...(problem.path ?? [])] });
  })
  .transform(({ pseudo, ...element }): PageElement => (pseudo ? { ...element, pseudo } : element));

/** What an element's own fields say against each other. */
function elementProblem(element: PageElement): { message: string; path?: readonly string[] } | undefined {
  if (
    element.use &&
    (element.children.length > 0 || element.source !== undefined || element.kind || element.panel || element.list)
  )
    return { message: 'What stands in the use of a part is said by the part.' };
  if (element.kind && !holdsElements(element.tag))
    return { message: `<${element.tag}> holds no elements, so it can't be a row or a grid.` };
  if (element.list && !holdsElements(element.tag))
    return { message: `<${element.tag}> holds no elements, so it can't be a list.` };
  const noPanel = element.panel && whyNoPanel(element, element.panel.kind);
  if (noPanel) return { message: noPanel, path: ['panel'] };
  const noPictures = element.pictures && whyNoPictures(element);
  if (noPictures) return { message: noPictures, path: ['pictures'] };
  if (element.alternate && !canBeAlternate(element.tag))
    return { message: `<${element.tag}> can't be one of several alternates.` };
  for (const child of element.children) {
    const noText = isRun(child) ? whyNotKeptText(element.tag, child.text) : undefined;
    if (noText) return { message: noText };
  }
  if (element.source !== undefined) {
    if (ruleOf(element.tag)?.content !== 'source') return { message: `<${element.tag}> has elements inside, not a source.` };
    const message = whyNotSource(element.tag, element.source);
    if (message) return { message, path: ['source'] };
  }
  for (const [name, value] of Object.entries(element.attributes)) {
    const message = whyNotKeptAttribute(element.tag, name, value);
    if (message) return { message, path: ['attributes', name] };
  }
  return undefined;
}

export interface PageElement {
  readonly id: string;
  readonly tag: string;
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  /** Elements by id and runs of text, in reading order. */
  readonly children: readonly Child[];
  /** The inside of an element in another language, SVG or MathML, as it was checked. */
  readonly source?: string | undefined;
  readonly shared: readonly string[];
  readonly styles: StyleSet;
  /** What it looks like in states, and what its other boxes look like. */
  readonly pseudo?: PseudoStyles | undefined;
  /** A kind given by people, in place of the one that the tag has. */
  readonly kind?: GivenKind | undefined;
  /** Left alone by presses, drags and removals on the page. */
  readonly locked?: true | undefined;
  /** Must be seen first: an audit says where it isn't in the first screenful. */
  readonly first?: true | undefined;
  /** One of several of which exactly one shows. */
  readonly alternate?: Alternate | undefined;
  /** Opened and closed, where it isn't simply part of the page. */
  readonly panel?: Panel | undefined;
  /** What an image shows at breakpoints, in place of what its `src` names. */
  readonly pictures?: Readonly<Record<string, string>> | undefined;
  /** Which items of it drop away as room runs out. */
  readonly drops?: Drops | undefined;
  /** Shows an item for each row of a table, behind what stands in it itself. */
  readonly list?: List | undefined;
  /** Which part it is a use of, and what it says otherwise. */
  readonly use?: Use | undefined;
  /** Where a use shows it: what the parts around it say, weakest first. Never kept; see `expand.ts`. */
  readonly layers?: readonly PartLayer[] | undefined;
  /** The element as it is kept, where it is shown otherwise: of a use, and of what stands around a part by itself. */
  readonly kept?: PageElement | undefined;
}

/** What a part says of an element that a use shows. */
export interface PartLayer {
  /** The element of the part; "e2.e7" where a part in the part is used and says something itself. */
  readonly owner: string;
  readonly styles: StyleSet;
  readonly pseudo?: PseudoStyles | undefined;
}

/** The kind's word, for names made by the program: "Button", "List", "Heading". */
const KIND_WORDS: ReadonlyMap<string, string> = new Map(
  Object.entries({
    a: 'Link',
    button: 'Button',
    ul: 'List',
    ol: 'List',
    li: 'Item',
    p: 'Text',
    span: 'Text',
    img: 'Picture',
    nav: 'Navigation',
    header: 'Header',
    footer: 'Footer',
    main: 'Main',
    section: 'Section',
    article: 'Article',
    aside: 'Aside',
    div: 'Group',
    form: 'Form',
    input: 'Field',
    textarea: 'Field',
    label: 'Label',
    table: 'Table',
    tr: 'Row',
    td: 'Cell',
    th: 'Heading cell',
    h1: 'Heading',
    h2: 'Heading',
    h3: 'Heading',
    h4: 'Heading',
    h5: 'Heading',
    h6: 'Heading',
    figure: 'Figure',
    figcaption: 'Caption',
    caption: 'Caption',
    blockquote: 'Quotation',
    q: 'Quotation',
    pre: 'Preformatted text',
    details: 'Details',
    summary: 'Summary',
    dialog: 'Dialog',
    dl: 'Terms',
    dt: 'Term',
    dd: 'Description',
    select: 'Choice',
    option: 'Option',
    fieldset: 'Fields',
    legend: 'Legend',
    hr: 'Rule',
    br: 'Line break',
    strong: 'Strong',
    em: 'Emphasis',
    code: 'Code',
    small: 'Small print',
    svg: 'Drawing',
    math: 'Formula',
    video: 'Film',
    audio: 'Sound',
    iframe: 'Frame',
    progress: 'Progress',
    meter: 'Meter',
  }),
);

/** A name from what an element says and is: its own words where it has some, else its kind. */
export function suggestName(tag: string, text?: string): string {
  const words = (text ?? '').trim().replace(/\s+/g, ' ');
  if (words.length > 0) return words.length <= 28 ? words : `${words.slice(0, 27).trimEnd()}…`;
  return KIND_WORDS.get(tag) ?? tag;
}
