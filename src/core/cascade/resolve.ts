import type { At } from '../breakpoints/breakpoint';
import { BASE } from '../breakpoints/breakpoint';
import { conditionInterval } from '../breakpoints/condition';
import { bandAt } from '../breakpoints/bands';
import type { Interval } from '../breakpoints/interval';
import { ALL_WIDTHS, contains } from '../breakpoints/interval';
import type { Declarations, PageElement, StyleSet } from '../document/element';
import type { Page, Project } from '../document/project';
import { ancestorsOf, parentOf } from '../document/tree';
import { propertyNamed } from '../styles/properties';
import { browserDefaultFor, browserForcedFor, foundationFor } from './browser-defaults';

export type Layer = 'browser' | 'foundation' | 'shared' | 'own';

/** One declaration that has a say in an element's property, with the widths where it holds. */
export interface Candidate {
  readonly value: string;
  readonly layer: Layer;
  readonly at: At;
  /** The shared style, where the layer is `shared`. */
  readonly sharedId?: string;
  readonly holds: Interval;
}

const EVERYWHERE = ALL_WIDTHS[0]!;

/** All that is declared in one place: a layer at the base or under a breakpoint. */
interface Source extends Omit<Candidate, 'value'> {
  readonly declarations: Declarations;
}

interface Sources {
  readonly breakpoints: Project['breakpoints'];
  readonly shared: Project['shared'];
  readonly elements: Page['elements'];
  readonly list: readonly Source[];
}

const memo = new WeakMap<PageElement, Sources>();

/** Where an element's declarations stand, weakest first; remembered until the project or the page is another one. */
function sourcesFor(project: Project, page: Page, element: PageElement): readonly Source[] {
  const known = memo.get(element);
  if (known?.breakpoints === project.breakpoints && known.shared === project.shared && known.elements === page.elements)
    return known.list;
  const list: Source[] = [];
  const add = (layer: Layer, styles: StyleSet, sharedId?: string) => {
    const put = (at: At, holds: Interval) => {
      const declarations = styles[at];
      if (declarations) list.push({ layer, at, holds, declarations, ...(sharedId && { sharedId }) });
    };
    put(BASE, EVERYWHERE);
    for (const breakpoint of project.breakpoints) put(breakpoint.id, conditionInterval(breakpoint.condition));
  };
  const ancestors = ancestorsOf(page, element.id).map((ancestor) => ancestor.tag);
  add('browser', { [BASE]: browserDefaultFor(element, ancestors) });
  add('foundation', { [BASE]: foundationFor(element.tag) });
  for (const style of project.shared) if (element.shared.includes(style.id)) add('shared', style.styles, style.id);
  add('own', element.styles);
  add('browser', { [BASE]: browserForcedFor(element) });
  memo.set(element, { breakpoints: project.breakpoints, shared: project.shared, elements: page.elements, list });
  return list;
}

/** All declarations of a property on one element, weakest first: layer by layer, inside a layer base, then breakpoints in order. */
export function candidatesFor(project: Project, page: Page, element: PageElement, property: string): Candidate[] {
  const result: Candidate[] = [];
  for (const source of sourcesFor(project, page, element)) {
    const value = source.declarations[property];
    if (value === undefined) continue;
    const { layer, at, holds, sharedId } = source;
    result.push({ value, layer, at, holds, ...(sharedId && { sharedId }) });
  }
  return result;
}

export type Origin =
  | { readonly kind: 'declared'; readonly element: string; readonly candidate: Candidate }
  /** Taken from the parent, because nothing sets it here or because `inherit` says so. */
  | { readonly kind: 'inherited'; readonly element: string; readonly candidate?: Candidate }
  | { readonly kind: 'initial' };

export interface Resolution {
  /** The specified value: as written, with inheritance and `initial` carried out (CSS Cascade 5, 4.2 and 7). */
  readonly value: string;
  readonly origin: Origin;
  /** Declarations on this element that hold at the width and lost, strongest first. */
  readonly beaten: readonly Candidate[];
}

/** What one element itself says about a property at a width, before its parent is asked. */
export interface Decision {
  readonly winner: Candidate | undefined;
  readonly beaten: readonly Candidate[];
  readonly from: 'winner' | 'parent' | 'initial';
}

export function decide(project: Project, page: Page, element: PageElement, property: string, width: number): Decision {
  const { inherited } = propertyNamed(property);
  const holding = candidatesFor(project, page, element, property).filter(({ holds }) => contains([holds], width));
  const winner = holding.pop();
  const beaten = holding.reverse();
  const keyword = winner?.value.toLowerCase();
  if (keyword === 'inherit' || (inherited && (!winner || keyword === 'unset')))
    return { winner, beaten, from: 'parent' };
  if (!winner || keyword === 'initial' || keyword === 'unset') return { winner, beaten, from: 'initial' };
  return { winner, beaten, from: 'winner' };
}

/** What the body takes from `<html>`, which carries only what browsers and the foundation give it. */
export function rootValue(property: string): string {
  return property === 'display' ? 'block' : (foundationFor('html')[property] ?? propertyNamed(property).initial);
}

/**
 * Who wins for an element, a property and a viewport width (CSS Cascade 5, 6.1: layer and order decide, since every
 * rule written has the same specificity).
 * @param width viewport width in CSS px, 0 or more
 * @throws Error when the property isn't known or the element isn't on the page
 */
export function resolve(project: Project, page: Page, elementId: string, property: string, width: number): Resolution {
  const element = page.elements[elementId];
  if (!element) throw new Error(`There is no element ${elementId} on "${page.name}".`);
  const { winner, beaten, from } = decide(project, page, element, property, width);
  if (winner && from === 'winner')
    return { value: winner.value, origin: { kind: 'declared', element: elementId, candidate: winner }, beaten };
  const parent = from === 'parent' ? parentOf(page, elementId) : undefined;
  if (!parent) {
    const origin: Origin = winner ? { kind: 'declared', element: elementId, candidate: winner } : { kind: 'initial' };
    return { value: from === 'parent' ? rootValue(property) : propertyNamed(property).initial, origin, beaten };
  }
  const above = resolve(project, page, parent.id, property, width);
  const lost = winner ? [winner, ...beaten] : beaten;
  if (above.origin.kind !== 'initial')
    return { value: above.value, origin: { ...above.origin, kind: 'inherited' }, beaten: lost };
  return {
    value: above.value,
    origin: winner ? { kind: 'inherited', element: parent.id } : above.origin,
    beaten: lost,
  };
}

/** Whether an element or one of its ancestors takes no room at the width (`display: none`). */
export function isHiddenAt(project: Project, page: Page, elementId: string, width: number): boolean {
  for (let element = page.elements[elementId]; element; element = parentOf(page, element.id))
    if (resolve(project, page, element.id, 'display', width).value === 'none') return true;
  return false;
}

/** Where an edit goes by default at a width: the breakpoint whose own band it is, else the base. */
export function defaultTarget(project: Project, width: number): At {
  return bandAt(project, width).home;
}
