import type { At } from '../breakpoints/breakpoint';
import { bandsOf } from '../breakpoints/bands';
import { conditionInterval, isWidthOnly } from '../breakpoints/condition';
import type { Interval, IntervalSet } from '../breakpoints/interval';
import { normalise } from '../breakpoints/interval';
import type { Slice } from '../breakpoints/viewport';
import { DEFAULT_SLICE, isHeld } from '../breakpoints/viewport';
import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import type { Pseudo } from '../document/pseudo';
import { propertyNamed, propertyRank } from '../styles/properties';
import { heldIn, lookOf } from './look';
import type { Origin, Resolution } from './resolve';
import { resolve } from './resolve';
import { aboveOf, elementOf, HTML } from './root';
import type { Candidate, Layer, Source } from './sources';
import { conditionsOf, sourcesFor } from './sources';

/** How a stretch is drawn: where its value comes from, as seen from the band it lies in. */
export type Carriage = 'hidden' | 'set' | 'carried' | 'part' | 'shared' | 'kind' | 'imported' | 'inherited' | 'default';

export interface Stretch extends Interval {
  readonly value: string;
  readonly origin: Origin;
  readonly carriage: Carriage;
  readonly beaten: readonly Candidate[];
  /** What may hold there instead: only a browser can tell. */
  readonly doubts: readonly Candidate[];
}

export interface Lane {
  readonly property: string;
  readonly stretches: readonly Stretch[];
}

/**
 * Whether it is this that somebody writes who looks at an element: what is the element's own, or what its part says.
 * @param inPart the element of a part that is written to, where it is shown by a use and not written for that use alone
 */
export const isWrittenHere = ({ layer, owner }: Pick<Candidate, 'layer' | 'owner'>, inPart?: string): boolean =>
  inPart === undefined ? layer === 'own' : layer === 'part' && owner === inPart;

/** @param pseudo the state or box that is looked at: what is said of another is only carried there */
export function carriageIn(resolution: Resolution, home: At, pseudo: Pseudo = '', inPart?: string): Carriage {
  const { origin } = resolution;
  if (origin.kind === 'initial') return 'default';
  if (origin.kind === 'inherited') return 'inherited';
  const { layer, at, via, when } = origin.candidate;
  const isOwn = isWrittenHere(origin.candidate, inPart);
  if (isOwn && (origin.candidate.pseudo ?? '') !== pseudo) return 'carried';
  // What asks for more than a width has no band of its own: it is set wherever it holds.
  if (isOwn) return (at === home && !via) || (when && !when.every(isWidthOnly)) ? 'set' : 'carried';
  if (layer === 'inline') return 'imported';
  if (layer === 'alternates' || layer === 'panel') return 'hidden';
  return layer === 'browser' || layer === 'foundation' ? 'default' : layer === 'own' ? 'part' : layer;
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
 * @param pseudo the state in which, or the box of it that is looked at
 * @param inPart the element of a part that is written to; see `isWrittenHere`
 */
export function laneFor(
  project: Project,
  page: Page,
  elementId: string,
  property: string,
  slice: Slice = DEFAULT_SLICE,
  pseudo: Pseudo = '',
  inPart?: string,
): Lane {
  const stretches: Stretch[] = [];
  const look = lookOf(project, page, elementId, pseudo);
  const held = heldIn(look, slice);
  for (const band of axisOf(project, slice)) {
    const resolution = resolve(look.project, look.page, look.node, property, band.from, held);
    const carriage = carriageIn(resolution, band.home, pseudo, inPart);
    const last = stretches[stretches.length - 1];
    const same =
      last?.value === resolution.value &&
      last.carriage === carriage &&
      last.doubts.length === resolution.doubts.length &&
      sameOrigin(last.origin, resolution.origin);
    if (same) stretches[stretches.length - 1] = { ...last!, below: band.below };
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
    x?.pseudo === y?.pseudo &&
    x?.rule?.line === y?.rule?.line
  );
}

/**
 * A lane for every property that is set on the element, comes from a shared style, its kind or an imported sheet, or
 * is inherited from an ancestor that sets it. Own ones first, then in the order of the layers, then inherited; inside
 * each in the fixed property order.
 */
export function lanesFor(
  project: Project,
  page: Page,
  elementId: string,
  slice: Slice = DEFAULT_SLICE,
  pseudo: Pseudo = '',
): Lane[] {
  return laneNames(project, page, elementId, pseudo).map((name) => laneFor(project, page, elementId, name, slice, pseudo));
}

const INHERITED_FROM: readonly Layer[] = ['inline', 'own', 'part', 'shared', 'kind', 'imported'];

/** What is declared for an element, in what is held of it. */
const namesOn = (look: ReturnType<typeof lookOf>, one: PageElement, isWanted: (source: Source) => boolean): string[] =>
  sourcesFor(look.project, look.page, one).flatMap((source) =>
    isWanted(source) && (!source.held || isHeld(look.held, source.held.element, source.held.state))
      ? Object.keys(source.declarations)
      : [],
  );

/** The properties that have a lane, in the order of the lanes: in a state, those said of it come first. */
export function laneNames(project: Project, page: Page, elementId: string, pseudo: Pseudo = ''): string[] {
  if (!page.elements[elementId]) return [];
  const named = new Set<string>();
  const names: string[] = [];
  const add = (found: Iterable<string>) => {
    const fresh = [...new Set(found)].filter((name) => !named.has(name));
    for (const name of fresh) named.add(name);
    names.push(...fresh.sort((a, b) => propertyRank(a) - propertyRank(b) || (a < b ? -1 : 1)));
  };
  const look = lookOf(project, page, elementId, pseudo);
  const from = (one: PageElement, isWanted: (source: Source) => boolean) => namesOn(look, one, isWanted);
  const node = elementOf(look.page, look.node);
  if (pseudo !== '') add(from(node, (source) => source.pseudo === pseudo && (source.layer === 'own' || source.layer === 'part')));
  for (const layer of INHERITED_FROM) add(from(node, (source) => source.layer === layer));
  for (let above = aboveOf(look.page, look.node); above && above !== HTML; above = aboveOf(look.page, above.id)) {
    const set = from(above, ({ layer }) => INHERITED_FROM.includes(layer));
    add(set.filter((name) => propertyNamed(name).inherited));
  }
  return names;
}

/**
 * Properties that something declares for the element itself, or for its box or state, at some widths, heights or pointers only: under a
 * breakpoint, or under a condition of an imported sheet.
 */
export function namesUnderConditions(project: Project, page: Page, elementId: string, pseudo: Pseudo = ''): ReadonlySet<string> {
  if (!page.elements[elementId]) return new Set();
  const look = lookOf(project, page, elementId, pseudo);
  return new Set(namesOn(look, elementOf(look.page, look.node), ({ when }) => when !== undefined));
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
