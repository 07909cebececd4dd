import type { At } from '../breakpoints/breakpoint';
import { bandsOf } from '../breakpoints/bands';
import type { Interval, IntervalSet } from '../breakpoints/interval';
import { normalise, subtract, union } from '../breakpoints/interval';
import { conditionInterval } from '../breakpoints/condition';
import { ALL_WIDTHS } from '../breakpoints/interval';
import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import { ancestorsOf } from '../document/tree';
import { PROPERTIES, propertyRank } from '../styles/properties';
import type { Candidate, Origin, Resolution } from './resolve';
import { candidatesFor, resolve } from './resolve';

/** How a stretch is drawn: where its value comes from, as seen from the band it lies in. */
export type Carriage = 'set' | 'carried' | 'shared' | 'inherited' | 'default';

export interface Stretch extends Interval {
  readonly value: string;
  readonly origin: Origin;
  readonly carriage: Carriage;
  readonly beaten: readonly Candidate[];
}

export interface Lane {
  readonly property: string;
  readonly stretches: readonly Stretch[];
}

export function carriageIn(resolution: Resolution, home: At): Carriage {
  const { origin } = resolution;
  if (origin.kind === 'initial') return 'default';
  if (origin.kind === 'inherited') return 'inherited';
  if (origin.candidate.layer === 'own') return origin.candidate.at === home ? 'set' : 'carried';
  return origin.candidate.layer === 'shared' ? 'shared' : 'default';
}

/** One property of one element along the whole width axis: neighbouring bands with the same story are one stretch. */
export function laneFor(project: Project, page: Page, elementId: string, property: string): Lane {
  const stretches: Stretch[] = [];
  for (const band of bandsOf(project)) {
    const resolution = resolve(project, page, elementId, property, band.from);
    const carriage = carriageIn(resolution, band.home);
    const last = stretches[stretches.length - 1];
    if (
      last &&
      last.value === resolution.value &&
      last.carriage === carriage &&
      sameOrigin(last.origin, resolution.origin)
    )
      stretches[stretches.length - 1] = { ...last, below: band.below };
    else stretches.push({ from: band.from, below: band.below, carriage, ...resolution });
  }
  return { property, stretches };
}

function sameOrigin(a: Origin, b: Origin): boolean {
  if (a.kind !== b.kind) return false;
  if (a.kind === 'initial' || b.kind === 'initial') return true;
  return (
    a.element === b.element &&
    a.candidate?.layer === b.candidate?.layer &&
    a.candidate?.at === b.candidate?.at &&
    a.candidate?.sharedId === b.candidate?.sharedId
  );
}

/**
 * A lane for every property that is set on the element, comes from a shared style, or is inherited from an ancestor
 * that sets it. Own ones first, then shared, then inherited; inside each in the fixed property order.
 */
export function lanesFor(project: Project, page: Page, elementId: string): Lane[] {
  const element = page.elements[elementId];
  if (!element) return [];
  const own = declaredProperties(element);
  const shared = new Set(
    project.shared
      .filter((style) => element.shared.includes(style.id))
      .flatMap((style) => Object.values(style.styles).flatMap(Object.keys)),
  );
  const above = new Set<string>();
  const inheriting = new Set(PROPERTIES.filter((property) => property.inherited).map((property) => property.name));
  for (const ancestor of ancestorsOf(page, elementId)) {
    const styles = project.shared.filter((style) => ancestor.shared.includes(style.id)).map((style) => style.styles);
    for (const set of [ancestor.styles, ...styles])
      for (const property of Object.values(set).flatMap(Object.keys)) if (inheriting.has(property)) above.add(property);
  }
  const byRank = (a: string, b: string) => propertyRank(a) - propertyRank(b);
  const names = [...own].sort(byRank);
  names.push(...[...shared].filter((name) => !own.has(name)).sort(byRank));
  names.push(...[...above].filter((name) => !own.has(name) && !shared.has(name)).sort(byRank));
  return names.map((name) => laneFor(project, page, elementId, name));
}

/** Every property with an own value, at the base or under any breakpoint. */
export function declaredProperties(element: PageElement): Set<string> {
  return new Set(Object.values(element.styles).flatMap(Object.keys));
}

/** Where two resolutions of the same property differ in value, across all widths. Both sides may have different bands. */
export function differingWidths(a: Lane, b: Lane): IntervalSet {
  return normalise(
    a.stretches.flatMap((x) =>
      b.stretches
        .filter((y) => x.value !== y.value)
        .map((y) => ({ from: Math.max(x.from, y.from), below: Math.min(x.below, y.below) })),
    ),
  );
}

export interface WriteReach {
  /** Widths where the value written would win. */
  readonly takes: IntervalSet;
  /** Widths inside the target where something stronger keeps its own value. */
  readonly keeps: IntervalSet;
}

/** What writing an own value of the property at a target would reach, whatever the value. */
export function writeReach(project: Project, page: Page, element: PageElement, property: string, at: At): WriteReach {
  const breakpoint = project.breakpoints.find((one) => one.id === at);
  const target: IntervalSet = breakpoint ? [conditionInterval(breakpoint.condition)] : ALL_WIDTHS;
  const order = (one: At) => project.breakpoints.findIndex((candidate) => candidate.id === one);
  const stronger = candidatesFor(project, page, element, property)
    .filter((candidate) => candidate.layer === 'own' && order(candidate.at) > order(at))
    .map((candidate) => [candidate.holds]);
  const takes = subtract(target, union(...stronger));
  return { takes, keeps: subtract(target, takes) };
}
