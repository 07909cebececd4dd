import type { Child } from './content';
import { childIds, isRun, isWritten, normalChildren } from './content';

/**
 * A place in an element: one among its elements, and how far into the text that stands there, in characters; after all
 * of it where nobody says.
 */
export interface ContentPlace {
  readonly index: number;
  readonly offset?: number | undefined;
}

/** Where in the children the element with a number stands; past the last element, where they end. */
function indexOfElement(children: readonly Child[], number: number): number {
  let seen = -1;
  for (const [index, child] of children.entries()) if (!isRun(child) && ++seen === number) return index;
  return children.length;
}

/** The text between two elements, or before the first or after the last; `number` is that of the element after it. */
function runBefore(children: readonly Child[], number: number): { readonly at: number; readonly text: string } | undefined {
  const at = indexOfElement(children, number) - 1;
  const child = children[at];
  return child !== undefined && isRun(child) ? { at, text: child.text } : undefined;
}

/** Never between the halves of one character. */
const whole = (text: string, offset: number) => (/[\udc00-\udfff]/.test(text[offset] ?? '') ? offset - 1 : offset);

/**
 * Children with an element put in before the one with a number.
 * @param offset how many characters of the text before that one come first; all where nobody says. In something
 * empty, who says so writes.
 */
export function withChild(children: readonly Child[], number: number, id: string, offset?: number): readonly Child[] {
  const at = indexOfElement(children, number);
  if (offset === undefined) return normalChildren(children.toSpliced(at, 0, id));
  const run = runBefore(children, number);
  // What stood alone in something written comes back as it was.
  if (!run) return normalChildren([...children.toSpliced(at, 0, id), ...(children.length === 0 ? [{ text: '' }] : [])]);
  const cut = whole(run.text, Math.min(offset, run.text.length));
  const parts = [{ text: run.text.slice(0, cut) }, id, { text: run.text.slice(cut) }];
  return normalChildren(children.toSpliced(run.at, 1, ...parts));
}

/** Children without one of the elements; the texts beside it become one. */
export const withoutChild = (children: readonly Child[], id: string): readonly Child[] =>
  normalChildren(children.filter((child) => child !== id));

/** How many characters stand between an element and the one before it; undefined where nothing is written. */
export function offsetOf(children: readonly Child[], id: string): number | undefined {
  if (!isWritten({ children })) return undefined;
  return runBefore(children, childIds({ children }).indexOf(id))?.text.length ?? 0;
}
