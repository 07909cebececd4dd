import { childIds } from './content';
import type { PageElement } from './element';
import type { Page } from './project';

type Elements = Page['elements'];

interface Step {
  /** Held loosely, or every version would keep all before it alive. */
  readonly from: WeakRef<Elements>;
  readonly ids: readonly string[];
}

/** By version the ways to it from others, latest first. */
const steps = new WeakMap<Elements, readonly Step[]>();
/** What an edit in hand would lead to comes between two versions that are kept. */
const STEPS_KEPT = 3;

function noteStep(from: Elements, to: Elements, ids: readonly string[]): void {
  const others = steps.get(to)?.filter((step) => step.from.deref() !== from) ?? [];
  steps.set(to, [{ from: new WeakRef(from), ids }, ...others].slice(0, STEPS_KEPT));
}

const stepBetween = (from: Elements, to: Elements): readonly string[] | undefined =>
  steps.get(to)?.find((step) => step.from.deref() === from)?.ids;

/** Without going through all elements: where one comes from the other, or both from the same. */
function knownBetween(before: Elements, after: Elements): readonly string[] | undefined {
  const step = stepBetween(before, after) ?? stepBetween(after, before);
  if (step) return step;
  for (const { from, ids } of steps.get(after) ?? []) {
    const both = from.deref();
    const others = both && stepBetween(both, before);
    if (others) return [...new Set([...ids, ...others])].filter((id) => before[id] !== after[id]);
  }
  return undefined;
}

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
  noteStep(
    from,
    copy,
    ids.filter((id) => from[id] !== copy[id]),
  );
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
  const known = knownBetween(before, after);
  if (known) return known;
  const ids: string[] = [];
  for (const id in after) if (before[id] !== after[id]) ids.push(id);
  for (const id in before) if (!(id in after)) ids.push(id);
  noteStep(before, after, ids);
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
  const entryBefore = (elements: Elements) => {
    for (const { from, ids } of steps.get(elements) ?? []) {
      const before = from.deref();
      const old = before && known.get(before);
      if (old && !ids.some((id) => matters(before[id], elements[id]))) return old;
    }
    return undefined;
  };
  return (elements) => {
    const here = known.get(elements);
    if (here) return here.found;
    const entry = entryBefore(elements) ?? { found: find(elements) };
    known.set(elements, entry);
    return entry.found;
  };
}
