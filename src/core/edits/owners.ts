import type { Declarations, PageElement, StyleSet } from '../document/element';
import { expanded } from '../document/expand';
import { kindNamed, kindOf } from '../document/kinds';
import { ownerKind } from '../document/owner';
import { allOwners } from '../document/owners';
import type { Page, Project } from '../document/project';
import { splitPseudo, withPseudo } from '../document/pseudo';
import type { Styled } from '../document/style-sets';
import { styleSetOf } from '../document/style-sets';
import { shownAs } from '../document/parts';
import { pageHolding, treesOf } from '../document/tree';
import { isInUse, sayingOf, splitShownId } from '../document/use';
import { EditError } from './edit-error';

export { allOwners } from '../document/owners';

/** Element, shared style or kind id to the declarations it has under one breakpoint. */
export type OverridesByOwner = Readonly<Record<string, Declarations>>;

const NONE: StyleSet = {};

/** The values of an element, a shared style or a kind; undefined where there is none of that id. */
export function stylesOf(project: Project, ownerId: string): StyleSet | undefined {
  const { id, pseudo } = splitPseudo(ownerId);
  switch (ownerKind(id)) {
    case 'kind':
      return kindNamed(id) && (project.kinds[ownerId] ?? NONE);
    case 'shared':
      return setOf(
        project.shared.find((one) => one.id === id),
        pseudo,
      );
    case 'element':
      return setOf(ownElement(project, id), pseudo);
  }
}

/** An element with the values that are its own: in a use of a part what the use says of it. */
function ownElement(project: Project, id: string): Styled | undefined {
  const { holder, path } = splitShownId(id);
  const element = pageHolding(project, holder)?.elements[holder];
  return path === '' ? element : element?.use && sayingOf(element.use, path);
}

const setOf = (styled: Styled | undefined, pseudo: string) => styled && styleSetOf(styled, pseudo);

/** @throws EditError when there is none of that id. */
export function requireStyles(project: Project, ownerId: string): StyleSet {
  const styles = stylesOf(project, ownerId);
  if (styles) return styles;
  const what = { element: 'element', shared: 'shared style', kind: 'kind' }[ownerKind(ownerId)];
  throw new EditError(`The ${what} this edit is about has been removed.`);
}

/** What people call it: an element's name, "shared style Card", "all buttons when pointed at". */
export function ownerName(project: Project, ownerId: string): string {
  const { id, pseudo } = splitPseudo(ownerId);
  return withPseudo(bareName(project, id), pseudo);
}

function bareName(project: Project, id: string): string {
  switch (ownerKind(id)) {
    case 'kind':
      return `all ${kindNamed(id)?.many ?? 'of a kind'}`;
    case 'shared':
      return `shared style ${project.shared.find((one) => one.id === id)?.name ?? 'that was removed'}`;
    case 'element':
      return nameOfElement(expanded(project), id);
  }
}

/** An element's name, with where it stands if that is a part or the use of one. */
function nameOfElement(project: Project, id: string): string {
  const tree = pageHolding(project, id);
  const element = tree?.elements[id];
  if (!element) return 'a removed element';
  if (isInUse(id)) return `${element.name} in ${tree.elements[splitShownId(id).holder]!.name}, here only`;
  return project.parts.includes(tree) ? `${element.name} of part ${tree.name}` : element.name;
}

export interface Carrier {
  readonly page: Page;
  readonly element: PageElement;
}

/**
 * The elements that an owner's values can reach by themselves: itself, where it is shown by uses of its part, those that
 * carry the style, those of the kind. The project is one with all that uses show.
 */
export function carriersOf(project: Project, owner: string): Carrier[] {
  const { id: ownerId } = splitPseudo(owner);
  const what = ownerKind(ownerId);
  if (what === 'element') {
    return treesOf(project).flatMap((page) =>
      shownAs(project, page, ownerId).map((id) => ({ page, element: page.elements[id]! })),
    );
  }
  const carries =
    what === 'shared'
      ? (element: PageElement) => element.shared.includes(ownerId)
      : (element: PageElement) => kindOf(element)?.id === ownerId;
  return treesOf(project).flatMap((page) =>
    Object.values(page.elements)
      .filter(carries)
      .map((element) => ({ page, element })),
  );
}

/** All that is written under a breakpoint, in the whole project. */
export function overridesUnder(project: Project, breakpointId: string): OverridesByOwner {
  return Object.fromEntries(
    allOwners(project).flatMap(({ id, styles }) =>
      styles[breakpointId] && Object.keys(styles[breakpointId]).length ? [[id, styles[breakpointId]]] : [],
    ),
  );
}
