import { produce } from 'immer';
import { z } from 'zod';
import type { At } from '../breakpoints/breakpoint';
import type { Declarations, PageElement, StyleSet } from '../document/element';
import { elementIdSchema, sharedIdSchema } from '../document/element';
import { kindIdSchema, kindNamed, kindOf } from '../document/kinds';
import type { Page, Project } from '../document/project';
import { pageHolding } from '../document/tree';
import { EditError } from './edit';

/** What values can be written on: an element, a shared style or a kind. */
export const ownerIdSchema = z.union(
  [elementIdSchema, sharedIdSchema, kindIdSchema],
  'Not an element, a shared style or a kind.',
);

/** Element, shared style or kind id to the declarations it has under one breakpoint. */
export type OverridesByOwner = Readonly<Record<string, Declarations>>;

const NONE: StyleSet = {};

/** The values of an element, a shared style or a kind; undefined where there is none of that id. */
export function stylesOf(project: Project, ownerId: string): StyleSet | undefined {
  if (ownerId.startsWith('k')) return kindNamed(ownerId) && (project.kinds[ownerId] ?? NONE);
  if (ownerId.startsWith('s')) return project.shared.find(({ id }) => id === ownerId)?.styles;
  return pageHolding(project, ownerId)?.elements[ownerId]?.styles;
}

/** @throws EditError when there is none of that id. */
export function requireStyles(project: Project, ownerId: string): StyleSet {
  const styles = stylesOf(project, ownerId);
  if (styles) return styles;
  throw new EditError(
    ownerId.startsWith('s')
      ? 'The shared style this edit is about has been removed.'
      : 'The element this edit is about has been removed.',
  );
}

/** What people call it: an element's name, "shared style Card", "all buttons". */
export function ownerName(project: Project, ownerId: string): string {
  if (ownerId.startsWith('k')) return `all ${kindNamed(ownerId)?.many ?? 'of a kind'}`;
  if (ownerId.startsWith('s'))
    return `shared style ${project.shared.find(({ id }) => id === ownerId)?.name ?? 'that was removed'}`;
  return pageHolding(project, ownerId)?.elements[ownerId]?.name ?? 'a removed element';
}

export interface Carrier {
  readonly page: Page;
  readonly element: PageElement;
}

/** The elements that an owner's values can reach by themselves: itself, those that carry the style, those of the kind. */
export function carriersOf(project: Project, ownerId: string): Carrier[] {
  if (ownerId.startsWith('e')) {
    const page = pageHolding(project, ownerId);
    return page ? [{ page, element: page.elements[ownerId]! }] : [];
  }
  const carries = ownerId.startsWith('s')
    ? (element: PageElement) => element.shared.includes(ownerId)
    : (element: PageElement) => kindOf(element)?.id === ownerId;
  return project.pages.flatMap((page) =>
    Object.values(page.elements)
      .filter(carries)
      .map((element) => ({ page, element })),
  );
}

/** Everything that has values of its own, with them. */
export function allOwners(project: Project): { readonly id: string; readonly styles: StyleSet }[] {
  return [
    ...Object.entries(project.kinds).map(([id, styles]) => ({ id, styles })),
    ...project.shared,
    ...project.pages.flatMap((page) => Object.values(page.elements)),
  ];
}

/** The project with the values of some owners replaced. Owners that aren't there are left out. */
export function withStyles(project: Project, styles: ReadonlyMap<string, StyleSet>): Project {
  const ids = [...styles.keys()];
  const replaced = <T extends { readonly id: string }>(one: T): T =>
    styles.has(one.id) ? { ...one, styles: styles.get(one.id)! } : one;
  const kinds = { ...project.kinds };
  for (const id of ids.filter((one) => one.startsWith('k'))) {
    if (Object.keys(styles.get(id)!).length > 0) kinds[id] = styles.get(id)!;
    else delete kinds[id];
  }
  return {
    ...project,
    ...(ids.some((id) => id.startsWith('k')) && { kinds }),
    ...(ids.some((id) => id.startsWith('s')) && { shared: project.shared.map(replaced) }),
    ...(ids.some((id) => id.startsWith('e')) && {
      pages: project.pages.map((page): Page => {
        const here = ids.filter((id) => id in page.elements);
        if (here.length === 0) return page;
        const elements = { ...page.elements };
        for (const id of here) elements[id] = replaced(elements[id]!);
        return { ...page, elements };
      }),
    }),
  };
}

/** One place's declarations set in a style set; an empty place isn't kept. */
export function withDeclarations(styles: StyleSet, at: At, declarations: Declarations): StyleSet {
  const { [at]: _, ...rest } = styles;
  if (Object.keys(declarations).length === 0) return rest;
  return at in styles ? { ...styles, [at]: declarations } : { ...rest, [at]: declarations };
}

/** All that is written under a breakpoint, in the whole project. */
export function overridesUnder(project: Project, breakpointId: string): OverridesByOwner {
  return Object.fromEntries(
    allOwners(project).flatMap(({ id, styles }) =>
      styles[breakpointId] && Object.keys(styles[breakpointId]).length ? [[id, styles[breakpointId]]] : [],
    ),
  );
}

/** The project with one breakpoint's overrides replaced; owners that aren't there any more are left out. */
export function withOverrides(project: Project, breakpointId: string, overrides: OverridesByOwner): Project {
  return produce(project, (draft) => {
    const put = (owner: { id: string; styles: Record<string, Record<string, string>> }) => {
      const declarations = overrides[owner.id];
      if (declarations) owner.styles[breakpointId] = { ...declarations };
      else if (breakpointId in owner.styles) delete owner.styles[breakpointId];
    };
    for (const page of draft.pages) for (const id in page.elements) put(page.elements[id]!);
    for (const style of draft.shared) put(style);
    for (const id of new Set([
      ...Object.keys(draft.kinds),
      ...Object.keys(overrides).filter((one) => one.startsWith('k')),
    ])) {
      const styles = (draft.kinds[id] ??= {});
      put({ id, styles });
      if (Object.keys(styles).length === 0) delete draft.kinds[id];
    }
  });
}
