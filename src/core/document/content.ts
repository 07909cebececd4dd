import { z } from 'zod';

const TEXT_MAX = 200_000;

export const elementIdSchema = z.string().regex(/^e[a-z0-9]{1,24}$/, 'Not an element id.');
export const textSchema = z.string('A text is needed.').max(TEXT_MAX, `A text has at most ${TEXT_MAX} characters.`);

/** A run of text that stands among elements. */
export interface Run {
  readonly text: string;
}
/** What stands in an element: the id of another element, or a run of text. */
export type Child = string | Run;

interface Holder {
  readonly children: readonly Child[];
}

export const isRun = (child: Child): child is Run => typeof child !== 'string';

/**
 * What stands in an element, in the one form in which it is kept: no run is empty, and no two stand beside each other.
 * Where all runs were empty, one of them stays behind the elements, if there are any: it says that they were written,
 * with nothing between them, where others have a line each.
 */
export function normalChildren(children: readonly Child[]): readonly Child[] {
  if (children.length === 0 || !children.some(isRun)) return children;
  const result: Child[] = [];
  for (const child of children) {
    const last = result[result.length - 1];
    if (!isRun(child)) result.push(child);
    else if (last !== undefined && isRun(last)) result[result.length - 1] = { text: last.text + child.text };
    else if (child.text !== '') result.push(child);
  }
  return result.length === 0 || result.some(isRun) ? result : [...result, { text: '' }];
}

const runSchema = z.strictObject(
  { text: textSchema },
  {
    error: (issue) =>
      issue.code === 'invalid_type' ? 'What stands in an element is the id of an element, or a text.' : undefined,
  },
);

/** A child is read by what it is, so that what is wrong is said of that. */
const childSchema = z.unknown().transform((input, context): Child => {
  const read = (typeof input === 'string' ? elementIdSchema : runSchema).safeParse(input);
  if (read.success) return read.data;
  for (const { message, path } of read.error.issues) context.addIssue({ code: 'custom', message, path: [...path] });
  return z.NEVER;
});

export const childrenSchema = z.array(childSchema).transform(normalChildren);

const idsOfChildren = new WeakMap<readonly Child[], readonly string[]>();

/** The elements that stand directly in an element, by id, in reading order. The same list for the same children. */
export function childIds({ children }: Holder): readonly string[] {
  const known = idsOfChildren.get(children);
  if (known) return known;
  const ids = children.some(isRun) ? children.filter((child) => typeof child === 'string') : (children as readonly string[]);
  idsOfChildren.set(children, ids);
  return ids;
}

/** The text that stands directly in an element, without that of elements in it. */
export function ownText({ children }: Holder): string {
  let text = '';
  for (const child of children) if (isRun(child)) text += child.text;
  return text;
}

/** The text in every gap between the elements of an inside, its ends included: one more than there are elements. */
export function gapTexts(children: readonly Child[]): string[] {
  const texts = [''];
  for (const child of children)
    if (isRun(child)) texts[texts.length - 1] += child.text;
    else texts.push('');
  return texts;
}

/** Whether an element's inside is written as text is, and so shows no white space but its own. */
export const isWritten = ({ children }: Holder): boolean => children.some(isRun);

/** All the words in an element and below, as they are read. */
export function wordsOf(elements: Readonly<Record<string, Holder>>, id: string): string {
  const read = (one: string): string =>
    elements[one]!.children.map((child) => (isRun(child) ? child.text : read(child))).join('');
  return read(id);
}

/** A text as the inside of an element; nothing for none. */
export const textChildren = (text: string | null | undefined): readonly Child[] => (text ? [{ text }] : []);

/** The same inside with other ids. */
export const renamedChildren = (children: readonly Child[], renamed: (id: string) => string): readonly Child[] =>
  children.map((child) => (isRun(child) ? child : renamed(child)));

/** An element as documents before version 7 had it: with a text of its own, where it held no elements. */
export function withTextInside(input: unknown): unknown {
  if (typeof input !== 'object' || input === null || !('text' in input)) return input;
  const { text, ...element } = input as { readonly text?: unknown; readonly children?: unknown };
  if (text === undefined || text === '') return element;
  return { ...element, children: [{ text }, ...(Array.isArray(element.children) ? (element.children as unknown[]) : [])] };
}
