import type { At } from '../breakpoints/breakpoint';
import { bandsOf } from '../breakpoints/bands';
import { conditionInterval, isWidthOnly } from '../breakpoints/condition';
import type { Interval, IntervalSet } from '../breakpoints/interval';
import { normalise } from '../breakpoints/interval';
import type { Slice } from '../breakpoints/viewport';
import { DEFAULT_SLICE } from '../breakpoints/viewport';
import type { PageElement, StyleSet } from '../document/element';
import { kindOf } from '../document/kinds';
import type { Page, Project } from '../document/project';
import { ancestorsOf } from '../document/tree';
import { propertyNamed, propertyRank } from '../styles/properties';
import type { Origin, Resolution } from './resolve';
import { resolve } from './resolve';
import type { Candidate } from './sources';
import { conditionsOf, sourcesFor } from './sources';

/** How a stretch is drawn: where its value comes from, as seen from the band it lies in. */
export type Carriage = 'set' | 'carried' | 'shared' | 'kind' | 'imported' | 'inherited' | 'default';

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
  const { layer, at, via, when } = origin.candidate;
  // What asks for more than a width has no band of its own: it is set wherever it holds.
  if (layer === 'own') return (at === home && !via) || (when && !when.every(isWidthOnly)) ? 'set' : 'carried';
  return layer === 'browser' || layer === 'foundation' ? 'default' : layer;
}

/** The stretches of widths inside which no condition begins or ends to hold, with the home of each. */
function axisOf(project: Project, slice: Slice): readonly (Interval & { readonly home: At })[] {
  const bands = bandsOf(project, slice);
  if (project.sheets.length === 0) return bands;
  const edges = conditionsOf(project)
    .slice(project.breakpoints.length)
    .flatMap((condition) => Object.values(conditionInterval(condition, slice)));
  return bands.flatMap(({ from, below, home }) => {
    const inner = [...new Set(edges)].filter((edge) => edge > from && edge < below).sort((a, b) => a - b);
    return [from, ...inner].map((start, i) => ({ from: start, below: inner[i] ?? below, home }));
  });
}

/**
 * One property of one element along the whole width axis, at one height and with one pointer: neighbouring bands with
 * the same story are one stretch.
 */
export function laneFor(project: Project, page: Page, elementId: string, property: string, slice: Slice = DEFAULT_SLICE): Lane {
  const stretches: Stretch[] = [];
  for (const band of axisOf(project, slice)) {
    const resolution = resolve(project, page, elementId, property, band.from, slice);
    const carriage = carriageIn(resolution, band.home);
    const last = stretches[stretches.length - 1];
    if (last && last.value === resolution.value && last.carriage === carriage && sameOrigin(last.origin, resolution.origin))
      stretches[stretches.length - 1] = { ...last, below: band.below };
    else stretches.push({ from: band.from, below: band.below, carriage, ...resolution });
  }
  return { property, stretches };
}

function sameOrigin(a: Origin, b: Origin): boolean {
  if (a.kind !== b.kind) return false;
  if (a.kind === 'initial' || b.kind === 'initial') return true;
  const [x, y] = [a.candidate, b.candidate];
  return (
    a.element === b.element &&
    x?.layer === y?.layer &&
    x?.at === y?.at &&
    x?.via === y?.via &&
    x?.owner === y?.owner &&
    x?.rule?.line === y?.rule?.line
  );
}

const propertiesOf = (styles: StyleSet): string[] => Object.values(styles).flatMap(Object.keys);

/**
 * A lane for every property that is set on the element, comes from a shared style, its kind or an imported sheet, or
 * is inherited from an ancestor that sets it. Own ones first, then in the order of the layers, then inherited; inside
 * each in the fixed property order.
 */
export function lanesFor(project: Project, page: Page, elementId: string, slice: Slice = DEFAULT_SLICE): Lane[] {
  return laneNames(project, page, elementId).map((name) => laneFor(project, page, elementId, name, slice));
}

/** The properties that have a lane, in the order of the lanes. */
export function laneNames(project: Project, page: Page, elementId: string): string[] {
  const element = page.elements[elementId];
  if (!element) return [];
  const named = new Set<string>();
  const names: string[] = [];
  const add = (found: Iterable<string>) => {
    const fresh = [...new Set(found)].filter((name) => !named.has(name));
    for (const name of fresh) named.add(name);
    names.push(...fresh.sort((a, b) => propertyRank(a) - propertyRank(b) || (a < b ? -1 : 1)));
  };
  const from = (one: PageElement, layer: string) =>
    sourcesFor(project, page, one).flatMap((source) => (source.layer === layer ? Object.keys(source.declarations) : []));
  add(declaredProperties(element));
  for (const layer of ['shared', 'kind', 'imported']) add(from(element, layer));
  for (const ancestor of ancestorsOf(page, elementId)) {
    const kind = kindOf(ancestor);
    const set = [
      ...declaredProperties(ancestor),
      ...from(ancestor, 'shared'),
      ...(kind && project.kinds[kind.id] ? propertiesOf(project.kinds[kind.id]!) : []),
      ...from(ancestor, 'imported'),
    ];
    add(set.filter((name) => propertyNamed(name).inherited));
  }
  return names;
}

/** Every property with an own value, at the base or under any breakpoint. */
function declaredProperties(element: PageElement): Set<string> {
  return new Set(propertiesOf(element.styles));
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
