import type { At, Breakpoint } from '../breakpoints/breakpoint';
import { BASE, takenBy } from '../breakpoints/breakpoint';
import type { Condition } from '../breakpoints/condition';
import { conditionInterval, holdsAt } from '../breakpoints/condition';
import type { IntervalSet } from '../breakpoints/interval';
import { ALL_WIDTHS, normalise } from '../breakpoints/interval';
import type { Held, Slice, Viewport } from '../breakpoints/viewport';
import { isHeld } from '../breakpoints/viewport';
import type { Declarations, PageElement, StyleSet } from '../document/element';
import { kindOf } from '../document/kinds';
import type { Box, Pseudo, State } from '../document/pseudo';
import { isUsed, pseudoOf, readPseudo, splitPseudo, STATES } from '../document/pseudo';
import { documentStates } from '../document/states';
import type { Styled } from '../document/style-sets';
import type { Page, Project } from '../document/project';
import { ancestorsOf } from '../document/tree';
import { readSheet } from '../read';
import { ancestorWord, browserDefaultFor, browserForcedFor, isRightToLeft } from './browser-defaults';
import { boxDefaultFor, stateDefaultsFor } from './pseudo-defaults';
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
  /** The state and box that it is written for. */
  readonly pseudo?: Pseudo;
  /** A state that must be held, and by which element; undefined where it always is. */
  readonly held?: { readonly element: string; readonly state: State };
  /** The same for an imported rule, whose selector may ask for states of several elements. */
  readonly holds?: (held: Held | undefined) => boolean;
}

/** All that is declared in one place: a layer at the base or under a breakpoint. */
export interface Source extends Omit<Candidate, 'value'> {
  readonly declarations: Declarations;
}

export function isHolding({ when, held, holds }: Pick<Candidate, 'when' | 'held' | 'holds'>, viewport: Viewport): boolean {
  if (holds && !holds(viewport.held)) return false;
  if (held && !isHeld(viewport.held, held.element, held.state)) return false;
  return !when || when.some((condition) => holdsAt(condition, viewport));
}

/** The widths at which a declaration holds, at one height and with one pointer. */
export function heldWidths({ when, held, holds }: Pick<Candidate, 'when' | 'held' | 'holds'>, slice: Slice): IntervalSet {
  if (holds && !holds(slice.held)) return [];
  if (held && !isHeld(slice.held, held.element, held.state)) return [];
  return when ? normalise(when.map((condition) => conditionInterval(condition, slice))) : ALL_WIDTHS;
}

interface Known {
  readonly project: Pick<Project, 'breakpoints' | 'shared' | 'kinds' | 'sheets'>;
  /** The page's elements as they were when this was last found to hold. */
  elements: Page['elements'];
  /** What the browser's sheet asks of all that it stands in, nearest first. */
  readonly under: readonly string[];
  /** The states that the document says it is in, where something is written for such. */
  readonly states?: string | undefined;
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
  if (known.states !== undefined && known.states !== documentStates(page, element).join()) return false;
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
  const { id, pseudo } = splitPseudo(element.id);
  const carrier = pseudo === '' ? element : page.elements[id]!;
  const owners = ownersOf(project, carrier);
  const asks = owners.some(({ pseudo = {} }) => Object.keys(pseudo).some(asksTheDocument));
  const states = asks ? documentStates(page, carrier) : [];
  const list = pseudo === '' ? collect(project, page, element, under) : collectBox(project, page, carrier, pseudo);
  addStates(list, project, owners, carrier, pseudo, states);
  const fresh: Known = {
    project,
    elements: page.elements,
    under,
    list: list.filter(({ declarations }) => Object.keys(declarations).length > 0),
    ...(asks && { states: states.join() }),
  };
  memo.set(element, versions ? [fresh, versions[0]!] : [fresh]);
  return fresh;
}

/** Whether it is the document that says when something written for such a state holds. */
function asksTheDocument(pseudo: Pseudo): boolean {
  const { state } = readPseudo(pseudo);
  return state !== undefined && !isUsed(state);
}

/** One of those whose values an element has, weakest first: its kind, its shared styles, itself. */
interface Owning extends Styled {
  readonly layer: Layer;
  readonly owner?: string;
}

const kindSets = new WeakMap<Project['kinds'], Map<string, Owning>>();

function kindOwning(project: Project, kind: string): Owning {
  let known = kindSets.get(project.kinds);
  if (!known) kindSets.set(project.kinds, (known = new Map()));
  let owning = known.get(kind);
  if (!owning) {
    const pseudo = Object.entries(project.kinds).flatMap(([key, styles]) => {
      const { id, pseudo } = splitPseudo(key);
      return id === kind && pseudo !== '' ? [[pseudo, styles] as const] : [];
    });
    const styles = project.kinds[kind] ?? {};
    owning = { layer: 'kind', owner: kind, styles, ...(pseudo.length > 0 && { pseudo: Object.fromEntries(pseudo) }) };
    known.set(kind, owning);
  }
  return owning;
}

function ownersOf(project: Project, element: PageElement): Owning[] {
  const kind = kindOf(element);
  const owners = kind ? [kindOwning(project, kind.id)] : [];
  if (element.shared.length > 0)
    for (const { id, styles, pseudo } of project.shared)
      if (element.shared.includes(id)) owners.push({ layer: 'shared', owner: id, styles, ...(pseudo && { pseudo }) });
  owners.push({ layer: 'own', styles: element.styles, ...(element.pseudo && { pseudo: element.pseudo }) });
  return owners;
}

function collectBox(project: Project, page: Page, carrier: PageElement, pseudo: Pseudo): Source[] {
  const box = readPseudo(pseudo).box!;
  const rules = (important: boolean) =>
    importedSources(project, page, carrier, important, box).map((source): Source => ({ ...source, pseudo }));
  const own: Source = { layer: 'browser', at: BASE, pseudo, declarations: boxDefaultFor(carrier, box) };
  return [own, ...rules(false), ...rules(true)];
}

function importedSources(project: Project, page: Page, element: PageElement, important: boolean, box?: Box): Source[] {
  return importedRules(project, page, element, box).map(({ rule, sheetId, holds }): Source => ({
    layer: 'imported',
    at: BASE,
    owner: sheetId,
    rule: { selector: rule.selector, line: rule.line },
    ...(rule.when && { when: rule.when }),
    ...(holds && { holds }),
    ...(important && { important }),
    declarations: important ? rule.important : rule.normal,
  }));
}

function collect(project: Project, page: Page, element: PageElement, ancestors: readonly string[]): Source[] {
  const list: Source[] = [];
  const put = (layer: Layer, declarations: Declarations) => list.push({ layer, at: BASE, declarations });
  put('browser', browserDefaultFor(element, ancestors, isRightToLeft(element, ancestors)));
  for (const [state, declarations] of stateDefaultsFor(element))
    list.push({ layer: 'browser', at: BASE, pseudo: `:${state}`, held: { element: element.id, state }, declarations });
  put('foundation', foundationFor(element.tag));
  list.push(...importedSources(project, page, element, false));
  for (const { layer, styles, owner } of ownersOf(project, element))
    list.push(...declared(project.breakpoints, layer, styles, owner));
  list.push(...importedSources(project, page, element, true));
  list.push({ layer: 'browser', at: BASE, important: true, declarations: browserForcedFor(element) });
  return list;
}

/**
 * Adds what owners say of states, and of a box: it beats what they say of rest, since a state is as specific as a class
 * more (Selectors 4, 17). Among states the layers come first, then their order, then breakpoints.
 * @param at the box that is asked about, with its colons; empty for the element itself
 */
function addStates(
  list: Source[],
  project: Project,
  owners: readonly Owning[],
  carrier: PageElement,
  at: Pseudo,
  states: readonly State[],
): void {
  const { box } = readPseudo(at);
  const said: Source[] = [];
  const of = (owning: Owning, state: State | undefined) => {
    const pseudo = pseudoOf({ ...(state && { state }), ...(box && { box }) });
    const styles = owning.pseudo?.[pseudo];
    if (!styles || (state && !isUsed(state) && !states.includes(state))) return;
    const held = state && isUsed(state) ? { held: { element: carrier.id, state } } : {};
    for (const source of declared(project.breakpoints, owning.layer, styles, owning.owner))
      said.push({ ...source, pseudo, ...held });
  };
  if (owners.every(({ pseudo }) => pseudo === undefined)) return;
  if (box) for (const owning of owners) of(owning, undefined);
  for (const owning of owners) for (const state of STATES) of(owning, state);
  const strongest = list.findIndex(({ important }) => important);
  list.splice(strongest < 0 ? list.length : strongest, 0, ...said);
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
