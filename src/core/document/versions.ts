import { childIds } from './content';
import type { PageElement } from './element';
import type { Page } from './project';

type Elements = Page['elements'];

interface Step {
  /** Held loosely, or every version would keep all before it alive. */
  readonly from: WeakRef<Elements>;
  readonly ids: readonly string[];
}

const steps = new WeakMap<Elements, Step>();

/** A copy in which some elements are otherwise. Going through thousands twice is what an edit's time goes into. */
export function withElements(elements: Elements, changed: readonly PageElement[]): Elements {
  const copy: Record<string, PageElement> = {};
  for (const id in elements) copy[id] = elements[id]!;
  for (const element of changed) copy[element.id] = element;
  noteChanged(
    elements,
    copy,
    changed.map(({ id }) => id),
  );
  return copy;
}

/** Notes of a copy what was changed in it after it was made. */
export function noteChanged(from: Elements, copy: Elements, ids: readonly string[]): void {
  steps.set(copy, { from: new WeakRef(from), ids: ids.filter((id) => from[id] !== copy[id]) });
}

/** Whether the same elements stand in two versions of an element, in the same order, whatever is written among them. */
export function holdSame(before: PageElement | undefined, after: PageElement | undefined): boolean {
  if (before?.children === after?.children) return true;
  if (!before || !after) return false;
  const [was, is] = [childIds(before), childIds(after)];
  return was.length === is.length && was.every((id, i) => id === is[i]);
}

/** Ids of the elements that two versions of a page don't have the same, by identity: changed, new and gone ones. */
export function changedIds(before: Elements, after: Elements): readonly string[] {
  if (before === after) return [];
  const known = steps.get(after);
  if (known?.from.deref() === before) return known.ids;
  const ids: string[] = [];
  for (const id in after) if (before[id] !== after[id]) ids.push(id);
  for (const id in before) if (!(id in after)) ids.push(id);
  steps.set(after, { from: new WeakRef(before), ids });
  return ids;
}

/**
 * What is known of all elements of a page, found anew only where a change could matter to it. Not to be asked of the copy
 * of a page that is still being written to.
 *
 * @param matters whether it could be otherwise, for an element in two versions; undefined where it isn't there
 */
export function carried<T>(
  find: (elements: Elements) => T,
  matters: (before: PageElement | undefined, after: PageElement | undefined) => boolean,
): (elements: Elements) => T {
  const known = new WeakMap<Elements, { readonly found: T }>();
  return (elements) => {
    const here = known.get(elements);
    if (here) return here.found;
    const step = steps.get(elements);
    const before = step?.from.deref();
    const old = before && known.get(before);
    const entry = old && !step!.ids.some((id) => matters(before[id], elements[id])) ? old : { found: find(elements) };
    known.set(elements, entry);
    return entry.found;
  };
}
