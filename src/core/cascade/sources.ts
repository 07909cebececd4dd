import type { At, Breakpoint } from '../breakpoints/breakpoint';
import { BASE, takenBy } from '../breakpoints/breakpoint';
import type { Condition } from '../breakpoints/condition';
import { conditionInterval, holdsAt } from '../breakpoints/condition';
import type { IntervalSet } from '../breakpoints/interval';
import { ALL_WIDTHS, normalise } from '../breakpoints/interval';
import type { Slice, Viewport } from '../breakpoints/viewport';
import type { Declarations, PageElement, StyleSet } from '../document/element';
import { kindOf } from '../document/kinds';
import type { Page, Project } from '../document/project';
import { ancestorsOf } from '../document/tree';
import { readSheet } from '../read';
import { ancestorWord, browserDefaultFor, browserForcedFor, isRightToLeft } from './browser-defaults';
import { foundationFor } from './foundation';
import { importedRules } from './imported';

/** Weakest first. */
export type Layer = 'browser' | 'foundation' | 'imported' | 'kind' | 'shared' | 'own';

/** One declaration that has a say in an element's property. */
export interface Candidate {
  readonly value: string;
  readonly layer: Layer;
  /** Where it is written. Rules of imported sheets are at the base and bring conditions of their own. */
  readonly at: At;
  /** The breakpoint that takes it over from where it's written. */
  readonly via?: string;
  /** The kind, the shared style or the imported sheet it belongs to. */
  readonly owner?: string;
  /** The selector and line of an imported rule. */
  readonly rule?: { readonly selector: string; readonly line: number };
  readonly important?: boolean;
  /** One of them must hold; undefined where it always holds. */
  readonly when?: readonly Condition[];
}

/** All that is declared in one place: a layer at the base or under a breakpoint. */
export interface Source extends Omit<Candidate, 'value'> {
  readonly declarations: Declarations;
}

export function isHolding({ when }: Pick<Candidate, 'when'>, viewport: Viewport): boolean {
  return !when || when.some((condition) => holdsAt(condition, viewport));
}

/** The widths at which a declaration holds, at one height and with one pointer. */
export function heldWidths({ when }: Pick<Candidate, 'when'>, slice: Slice): IntervalSet {
  return when ? normalise(when.map((condition) => conditionInterval(condition, slice))) : ALL_WIDTHS;
}

interface Known {
  readonly project: Pick<Project, 'breakpoints' | 'shared' | 'kinds' | 'sheets'>;
  /** The page's elements as they were when this was last found to hold. */
  elements: Page['elements'];
  /** What the browser's sheet asks of all that it stands in, nearest first. */
  readonly under: readonly string[];
  readonly list: readonly Source[];
  /** Property to those that declare it, made when first asked for. */
  index?: ReadonlyMap<string, readonly Source[]>;
}

/** Two versions of each: what compares a project before and after an edit asks them in turn. */
const memo = new WeakMap<PageElement, readonly Known[]>();

const isOf = (known: Known, project: Project, page: Page, element: PageElement) =>
  known.project.breakpoints === project.breakpoints &&
  known.project.shared === project.shared &&
  known.project.kinds === project.kinds &&
  known.project.sheets === project.sheets &&
  // Imported rules match by classes, which come from names all over the project.
  (project.sheets.length === 0 || (known.project === project && known.elements === page.elements)) &&
  standsAsBefore(known, page, element);

/** Without sheets from elsewhere an element's declarations ask nothing of its page but the tags that it stands in. */
function standsAsBefore(known: Known, page: Page, element: PageElement): boolean {
  if (known.elements === page.elements) return true;
  let at = 0;
  for (const ancestor of ancestorsOf(page, element.id)) if (known.under[at++] !== ancestorWord(ancestor)) return false;
  if (at !== known.under.length) return false;
  known.elements = page.elements;
  return true;
}

/** Where an element's declarations stand, weakest first; remembered until the project or the page is another one. */
export function sourcesFor(project: Project, page: Page, element: PageElement): readonly Source[] {
  return knownFor(project, page, element).list;
}

const NONE: readonly Source[] = [];

/** Those that declare a property, weakest first. */
export function sourcesOf(project: Project, page: Page, element: PageElement, property: string): readonly Source[] {
  const known = knownFor(project, page, element);
  known.index ??= indexed(known.list);
  return known.index.get(property) ?? NONE;
}

function indexed(list: readonly Source[]): ReadonlyMap<string, readonly Source[]> {
  const index = new Map<string, Source[]>();
  for (const source of list)
    for (const property in source.declarations) {
      const sources = index.get(property);
      if (sources) sources.push(source);
      else index.set(property, [source]);
    }
  return index;
}

function knownFor(project: Project, page: Page, element: PageElement): Known {
  const versions = memo.get(element);
  if (versions) for (const known of versions) if (isOf(known, project, page, element)) return known;
  const under = ancestorsOf(page, element.id).map(ancestorWord);
  const list = collect(project, page, element, under);
  const fresh: Known = { project, elements: page.elements, under, list };
  memo.set(element, versions ? [fresh, versions[0]!] : [fresh]);
  return fresh;
}

function collect(project: Project, page: Page, element: PageElement, ancestors: readonly string[]): Source[] {
  const list: Source[] = [];
  const put = (layer: Layer, declarations: Declarations) => list.push({ layer, at: BASE, declarations });
  put('browser', browserDefaultFor(element, ancestors, isRightToLeft(element, ancestors)));
  put('foundation', foundationFor(element.tag));
  const imported = importedRules(project, page, element);
  const rule = (important: boolean) =>
    imported.map(({ rule: { selector, line, when, ...rule }, sheetId }): Source => ({
      layer: 'imported',
      at: BASE,
      owner: sheetId,
      rule: { selector, line },
      ...(when && { when }),
      ...(important && { important }),
      declarations: important ? rule.important : rule.normal,
    }));
  list.push(...rule(false));
  const kind = kindOf(element);
  if (kind && project.kinds[kind.id]) list.push(...declared(project.breakpoints, 'kind', project.kinds[kind.id]!, kind.id));
  if (element.shared.length > 0)
    for (const style of project.shared)
      if (element.shared.includes(style.id)) list.push(...declared(project.breakpoints, 'shared', style.styles, style.id));
  list.push(...declared(project.breakpoints, 'own', element.styles));
  list.push(...rule(true));
  list.push({ layer: 'browser', at: BASE, important: true, declarations: browserForcedFor(element) });
  return list.filter(({ declarations }) => Object.keys(declarations).length > 0);
}

/** What one owner declares, weakest first: base, then breakpoints in order, each after those it takes over. */
export function declared(breakpoints: readonly Breakpoint[], layer: Layer, styles: StyleSet, owner?: string): Source[] {
  const list: Source[] = [];
  const of = owner === undefined ? {} : { owner };
  if (styles[BASE]) list.push({ layer, at: BASE, declarations: styles[BASE], ...of });
  for (const { id, condition, also } of breakpoints) {
    const when = [condition];
    for (const at of also?.length ? takenBy(breakpoints, id) : [id])
      if (styles[at]) list.push({ layer, at, declarations: styles[at], when, ...of, ...(at !== id && { via: id }) });
  }
  return list;
}

const conditions = new WeakMap<Project['breakpoints'], { sheets: Project['sheets']; list: readonly Condition[] }>();

/** Every condition that can make a difference in the project: its breakpoints', and those in imported sheets. */
export function conditionsOf(project: Project): readonly Condition[] {
  const known = conditions.get(project.breakpoints);
  if (known?.sheets === project.sheets) return known.list;
  const list = [
    ...project.breakpoints.map(({ condition }) => condition),
    ...project.sheets.flatMap(({ css }) => readSheet(css).rules.flatMap(({ when }) => when ?? [])),
  ];
  conditions.set(project.breakpoints, { sheets: project.sheets, list });
  return list;
}

/** All declarations of a property on one element, weakest first (CSS Cascade 5, 6.1). */
export function candidatesFor(project: Project, page: Page, element: PageElement, property: string): Candidate[] {
  return sourcesOf(project, page, element, property).map(({ declarations, ...source }) => ({
    value: declarations[property]!,
    ...source,
  }));
}
