import { z } from 'zod';

/** A kind of elements that can have defaults of its own. Each element is of one kind at most. */
export interface Kind {
  readonly id: string;
  /** One of them, and all of them: "button", "buttons". */
  readonly one: string;
  readonly many: string;
  readonly tags: readonly string[];
}

const kind = (id: string, one: string, many: string, tags = ''): Kind => ({
  id,
  one,
  many,
  tags: tags.split(' ').filter(Boolean),
});

/** Kinds without tags are given to an element by people, since HTML has no element for them. */
export const KINDS: readonly Kind[] = [
  kind('kbutton', 'button', 'buttons', 'button'),
  kind('klink', 'link', 'links', 'a'),
  kind('kheading', 'heading', 'headings', 'h1 h2 h3 h4 h5 h6'),
  kind('ktext', 'text', 'texts', 'p'),
  kind('kpicture', 'picture', 'pictures', 'img'),
  kind('kfigure', 'figure', 'figures', 'figure'),
  kind('klist', 'list', 'lists', 'ul ol dl'),
  kind('kitem', 'list item', 'list items', 'li'),
  kind('kfield', 'field', 'fields', 'input textarea'),
  kind('klabel', 'label', 'labels', 'label'),
  kind('ktable', 'table', 'tables', 'table'),
  kind('kcell', 'table cell', 'table cells', 'td th'),
  kind('ksection', 'section', 'sections', 'section article aside header footer main'),
  kind('knav', 'navigation', 'navigations', 'nav'),
  kind('kform', 'form', 'forms', 'form'),
  kind('krow', 'row', 'rows'),
  kind('kgrid', 'grid', 'grids'),
];

/** Kinds that people give, and the class by which the sheet knows them. */
export const GIVEN_KINDS = ['krow', 'kgrid'] as const;
export type GivenKind = (typeof GIVEN_KINDS)[number];
export const givenKindSchema = z.enum(GIVEN_KINDS, 'A kind that can be given is row or grid.');

const byTag = new Map(KINDS.flatMap((one) => one.tags.map((tag) => [tag, one] as const)));
const byId = new Map(KINDS.map((one) => [one.id, one]));

export const kindIdSchema = z.string().refine((id) => byId.has(id), 'Not a kind of elements.');

export function kindNamed(id: string): Kind | undefined {
  return byId.get(id);
}

/** The kind that people gave the element, else that of its tag. */
export function kindOf(element: { readonly tag: string; readonly kind?: GivenKind | undefined }): Kind | undefined {
  return element.kind ? byId.get(element.kind) : byTag.get(element.tag);
}
