import type { At } from '../breakpoints/breakpoint';
import { BASE } from '../breakpoints/breakpoint';
import type { Choice } from '../breakpoints/choice';
import { childIds } from './content';
import type { PageElement } from './element';
import type { Page } from './project';
import { changedInState } from './state-pages';
import { subtreeOf } from './tree';
import { carried, holdSame } from './versions';

/**
 * All elements of a tree that name the same set. Whatever is copied, moved or taken away, one of them is chosen
 * everywhere: of two that are chosen at the same place the first in reading order, and where none is, what shows beneath.
 */
export interface AlternateSet {
  readonly id: string;
  /** In reading order; the first shows at the base where none is chosen there. */
  readonly members: readonly string[];
  readonly choice: Choice<string>;
}

const NONE: ReadonlyMap<string, AlternateSet> = new Map();

const setsIn: (elements: Page['elements']) => ReadonlyMap<string, AlternateSet> = carried(
  (elements) => {
    const sets = new Map<string, PageElement[]>();
    let any = false;
    for (const id in elements) any ||= elements[id]!.alternate !== undefined;
    if (!any) return NONE;
    // What stands in one of a set can't be another of it: the two would show together or not at all.
    const visit = (element: PageElement, around: readonly string[]) => {
      const set = element.alternate?.set;
      const isMember = set !== undefined && !around.includes(set);
      if (isMember) sets.set(set, [...(sets.get(set) ?? []), element]);
      for (const child of childIds(element)) visit(elements[child]!, isMember ? [...around, set] : around);
    };
    const inner = new Set<string>();
    for (const id in elements) for (const child of childIds(elements[id]!)) inner.add(child);
    for (const id in elements) if (!inner.has(id)) visit(elements[id]!, []);
    return new Map([...sets].map(([id, members]) => [id, setOf(id, members)]));
  },
  (before, after) => before?.alternate !== after?.alternate || !holdSame(before, after),
);

function setOf(id: string, members: readonly PageElement[]): AlternateSet {
  const choice = new Map<At, string>();
  for (const member of members) for (const at of member.alternate!.at) if (!choice.has(at)) choice.set(at, member.id);
  return { id, members: members.map((one) => one.id), choice };
}

/** The sets of alternates on a page, or in a part, by id; with those that uses of parts show. */
export function alternatesOn(page: Page): ReadonlyMap<string, AlternateSet> {
  const state = changedInState(page);
  if (!state) return setsIn(page.elements);
  const usual = alternatesOn(state.page);
  // What is empty holds no longer what it held.
  const emptied = state.changed.filter(
    ({ id, children }) => children.length === 0 && childIds(state.page.elements[id]!).length > 0,
  );
  if (usual.size === 0 || emptied.length === 0) return usual;
  let left = withoutEmptied.get(page.elements);
  if (!left) {
    const gone = new Set(emptied.flatMap(({ id }) => subtreeOf(state.page, id).slice(1)).map(({ id }) => id));
    const sets = [...usual].flatMap(([id, { members }]) => {
      const there = members.filter((one) => !gone.has(one)).map((one) => page.elements[one]!);
      return there.length > 0 ? [[id, setOf(id, there)] as const] : [];
    });
    withoutEmptied.set(page.elements, (left = new Map(sets)));
  }
  return left;
}
const withoutEmptied = new WeakMap<Page['elements'], ReadonlyMap<string, AlternateSet>>();

/** The set that an element is of; undefined for one that is of none, or alone in its own. */
export function alternatesWith(page: Page, element: PageElement | undefined): AlternateSet | undefined {
  const set = element?.alternate && alternatesOn(page).get(element.alternate.set);
  return set && set.members.length > 1 && set.members.includes(element!.id) ? set : undefined;
}

/** The one that is chosen at the base. */
export const atBase = ({ choice, members }: AlternateSet): string => choice.get(BASE) ?? members[0]!;

/**
 * Copies with sets of their own: alternates that were copied together stay so, apart from those they were copied of; one
 * that was copied alone is an ordinary element.
 */
export function withOwnSets(copies: readonly PageElement[]): PageElement[] {
  const sets = new Map<string, readonly PageElement[]>();
  for (const one of copies) if (one.alternate) sets.set(one.alternate.set, [...(sets.get(one.alternate.set) ?? []), one]);
  return copies.map((one) => {
    if (!one.alternate) return one;
    const { alternate, ...rest } = one;
    const members = sets.get(alternate.set)!;
    return members.length > 1 ? { ...rest, alternate: { ...alternate, set: `h${members[0]!.id.slice(1)}` } } : rest;
  });
}

/** How a set is called in what is handed over. */
export const handedSet = (set: string): string => set.replaceAll('.', '-');
