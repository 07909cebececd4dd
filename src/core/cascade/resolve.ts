import type { At } from '../breakpoints/breakpoint';
import { bandAt } from '../breakpoints/bands';
import type { Slice, Viewport } from '../breakpoints/viewport';
import { DEFAULT_SLICE } from '../breakpoints/viewport';
import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import { parentOf } from '../document/tree';
import { propertyNamed } from '../styles/properties';
import { HEADER_ALIGNMENT } from './browser-defaults';
import { aboveOf, elementOf, HTML } from './root';
import type { Candidate } from './sources';
import { mayHold, saidOf, sourcesOf } from './sources';

export type Origin =
  | { readonly kind: 'declared'; readonly element: string; readonly candidate: Candidate }
  /** Taken from the parent, because nothing sets it here or because `inherit` says so. */
  | { readonly kind: 'inherited'; readonly element: string; readonly candidate?: Candidate }
  | { readonly kind: 'initial' };

export interface Resolution {
  /** The specified value: as written, with inheritance and `initial` carried out (CSS Cascade 5, 4.2 and 7). */
  readonly value: string;
  readonly origin: Origin;
  /** Declarations on this element that hold at the viewport and lost, strongest first. */
  readonly beaten: readonly Candidate[];
  /** Declarations of sheets from elsewhere that may hold instead: only a browser can tell. */
  readonly doubts: readonly Candidate[];
}

/** What one element itself says about a property at a viewport, before its parent is asked. */
export interface Decision {
  readonly winner: Candidate | undefined;
  readonly beaten: readonly Candidate[];
  readonly from: 'winner' | 'parent' | 'initial';
  /** Declarations stronger than the winner of which only a browser can tell whether they hold, strongest first. */
  readonly doubts: readonly Candidate[];
}

export function decide(project: Project, page: Page, element: PageElement, property: string, viewport: Viewport): Decision {
  const { inherited } = propertyNamed(property);
  const sources = sourcesOf(project, page, element, property);
  let winner: Candidate | undefined;
  const beaten: Candidate[] = [];
  const doubts: Candidate[] = [];
  for (let at = sources.length - 1; at >= 0; at--) {
    const { declarations, ...source } = sources[at]!;
    if (!mayHold(source, viewport)) continue;
    const value = saidOf(sources[at]!, property, viewport);
    if (value === null) continue;
    if (value === undefined) {
      if (!winner) doubts.push({ value: declarations[property]!, ...source });
      continue;
    }
    const candidate: Candidate = { value, ...source, ...(source.unsure !== undefined && { told: true }) };
    if (winner) beaten.push(candidate);
    else winner = candidate;
  }
  if (winner && isRevert(winner.value)) {
    // Back to what browsers say, as if no sheet had said anything (CSS Cascade 5, 7.3.4).
    const before = beaten.findIndex(({ layer, important }) => layer === 'browser' && !important);
    const [kept] = before < 0 ? [] : beaten.splice(before, 1);
    beaten.unshift(winner);
    winner = kept;
  }
  const above = winner?.value === HEADER_ALIGNMENT ? resolveAbove(project, page, element, property, viewport) : undefined;
  if (winner && above) {
    doubts.push(...above.doubts);
    winner = { ...winner, value: above.value === propertyNamed(property).initial ? 'center' : 'inherit' };
  }
  const keyword = winner?.value.toLowerCase();
  if (keyword === 'inherit' || (inherited && (!winner || keyword === 'unset'))) return { winner, beaten, from: 'parent', doubts };
  if (!winner || keyword === 'initial' || keyword === 'unset') return { winner, beaten, from: 'initial', doubts };
  return { winner, beaten, from: 'winner', doubts };
}

const isRevert = (value: string): boolean => /^revert$/i.test(value);

function resolveAbove(project: Project, page: Page, { id }: PageElement, property: string, viewport: Viewport): Resolution {
  return resolve(project, page, aboveOf(page, id)!.id, property, viewport.width, viewport);
}

/**
 * Who wins for an element, a property and a viewport (CSS Cascade 5, 6.1).
 * @param width viewport width in CSS px, 0 or more
 * @param slice the viewport's height and pointer
 * @throws Error when the property isn't known or the element isn't on the page
 */
export function resolve(
  project: Project,
  page: Page,
  elementId: string,
  property: string,
  width: number,
  slice: Slice = DEFAULT_SLICE,
): Resolution {
  const { height, pointer, held, open, told } = slice;
  const viewport = { width, height, pointer, held, open, told };
  const { winner, beaten, from, doubts } = decide(project, page, elementOf(page, elementId), property, viewport);
  if (winner && from === 'winner')
    return { value: winner.value, origin: { kind: 'declared', element: elementId, candidate: winner }, beaten, doubts };
  const parent = from === 'parent' ? aboveOf(page, elementId) : undefined;
  if (!parent) {
    const origin: Origin = winner ? { kind: 'declared', element: elementId, candidate: winner } : { kind: 'initial' };
    return { value: propertyNamed(property).initial, origin, beaten, doubts };
  }
  const above = resolve(project, page, parent.id, property, width, slice);
  const lost = winner ? [winner, ...beaten] : beaten;
  // What `<html>` has from the browser and the foundation is no more than a beginning.
  const beginning =
    above.origin.kind === 'initial' || (parent === HTML && !/^(imported|inline)$/.test(above.origin.candidate?.layer ?? ''));
  if (!beginning)
    return {
      value: above.value,
      origin: { ...above.origin, kind: 'inherited' },
      beaten: lost,
      doubts: [...doubts, ...above.doubts],
    };
  return {
    value: above.value,
    origin: winner ? { kind: 'inherited', element: parent.id } : { kind: 'initial' },
    beaten: lost,
    doubts,
  };
}

/** The value alone, as `resolve` gives it: for those who compare many and ask for no story. */
export function specifiedValue(project: Project, page: Page, elementId: string, property: string, viewport: Viewport): string {
  const { inherited, initial } = propertyNamed(property);
  let element: PageElement | undefined = elementOf(page, elementId);
  for (; element; element = aboveOf(page, element.id)) {
    const sources = sourcesOf(project, page, element, property);
    let value: string | undefined;
    for (let at = sources.length - 1; at >= 0 && value === undefined; at--) {
      const said = mayHold(sources[at]!, viewport) ? saidOf(sources[at]!, property, viewport) : undefined;
      value = said ?? undefined;
    }
    if (value !== undefined && (value === HEADER_ALIGNMENT || isRevert(value)))
      return decided(project, page, element, property, viewport);
    const keyword = value && /^(inherit|initial|unset)$/i.test(value) ? value.toLowerCase() : undefined;
    if (value !== undefined && !keyword) return value;
    if (keyword === 'initial' || (keyword !== 'inherit' && !inherited)) return initial;
  }
  return initial;
}

function decided(project: Project, page: Page, { id }: PageElement, property: string, viewport: Viewport): string {
  return resolve(project, page, id, property, viewport.width, viewport).value;
}

/** Whether an element or one of its ancestors takes no room at the viewport (`display: none`). */
export function isHiddenAt(
  project: Project,
  page: Page,
  elementId: string,
  width: number,
  slice: Slice = DEFAULT_SLICE,
): boolean {
  for (let element = page.elements[elementId]; element; element = parentOf(page, element.id))
    if (specifiedValue(project, page, element.id, 'display', { ...slice, width }) === 'none') return true;
  return false;
}

/** Where an edit goes by default at a width: the breakpoint whose own band it is, else the base. */
export function defaultTarget(project: Project, width: number, slice?: Slice): At {
  return bandAt(project, width, slice).home;
}
