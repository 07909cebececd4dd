import { BASE } from '../breakpoints/breakpoint';
import type { Condition } from '../breakpoints/condition';
import type { Declarations, PageElement } from '../document/element';
import type { AlternateSet } from '../document/alternates';
import { alternatesWith } from '../document/alternates';
import type { Pseudo } from '../document/pseudo';
import { isUsed, readPseudo, splitPseudo } from '../document/pseudo';
import { CAN_BE_DISABLED, documentStates } from '../document/states';
import type { Page, Project } from '../document/project';
import type { Panel } from '../document/panel';
import { ancestorsOf, parentOf } from '../document/tree';
import { readWholeSheet } from '../read';
import { rulesOn } from './page-rules';
import { addHiding, foldAround, hidingOf } from './hiding';
import { presentationalFor } from './presentational';
import { ancestorWord, browserDefaultFor, browserForcedFor, isRightToLeft } from './browser-defaults';
import { addStates, ownersOf } from './owning';
import type { SelectorNodes } from './selector-nodes';
import { seenNodes } from './seen-nodes';
import { boxDefaultFor, stateDefaultsFor } from './pseudo-defaults';
import type { Candidate, Layer, Source } from './source';
import { declared } from './source';
import { foundationFor, rootFontSize } from './foundation';
import { askValues, importedRules } from './imported';
import { HTML } from './root';

export type { Candidate, Layer, Source } from './source';
export { declared, heldWidths, isHolding, mayHold, saidOf } from './source';

interface Known {
  readonly project: Pick<Project, 'breakpoints' | 'shared' | 'kinds' | 'sheets' | 'rootSize'>;
  /** The page's elements as they were when this was last found to hold. */
  elements: Page['elements'];
  /** What the selectors of sheets from elsewhere saw of the page; undefined where it has none. */
  readonly seen: SelectorNodes | undefined;
  readonly direction: Page['direction'];
  /** What the browser's sheet asks of all that it stands in, nearest first. */
  readonly under: readonly string[];
  /** The alternates that it is one of. */
  readonly alternates: AlternateSet | undefined;
  /** What it is the summary of. */
  readonly fold: Panel | undefined;
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
  known.project.rootSize === project.rootSize &&
  known.alternates === alternatesWith(page, element) &&
  known.fold === foldOf(page, element) &&
  known.direction === page.direction &&
  known.seen === seenBy(project, page) &&
  standsAsBefore(known, page, element);

const seenBy = (project: Project, page: Page): SelectorNodes | undefined =>
  project.sheets.length === 0 && !page.brought ? undefined : seenNodes(project, page);

const foldOf = (page: Page, element: PageElement): Panel | undefined =>
  element.tag === 'summary' ? foldAround(element, parentOf(page, element.id)) : undefined;

/** Without sheets from elsewhere an element's declarations ask nothing of its page but the tags that it stands in. */
function standsAsBefore(known: Known, page: Page, element: PageElement): boolean {
  if (known.elements === page.elements) return true;
  let at = 0;
  for (const ancestor of ancestorsOf(page, element.id)) if (known.under[at++] !== ancestorWord(ancestor)) return false;
  if (at !== known.under.length) return false;
  if (known.states !== undefined && known.states !== documentStates(page, carrierOf(page, element)).join()) return false;
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
  const { pseudo } = splitPseudo(element.id);
  const carrier = carrierOf(page, element);
  const owners = ownersOf(project, carrier);
  const asks = CAN_BE_DISABLED.has(element.tag) || owners.some(({ pseudo = {} }) => Object.keys(pseudo).some(asksTheDocument));
  const states = asks ? documentStates(page, carrier) : [];
  const list =
    pseudo === ''
      ? collect(project, page, element, under, states.includes('disabled'))
      : collectBox(project, page, carrier, pseudo);
  addStates(list, project, owners, carrier, pseudo, states);
  const alternates = alternatesWith(page, element);
  const fold = foldOf(page, element);
  if (pseudo === '') {
    addHiding(list, hidingOf(project, element, alternates, fold), page.brought !== undefined);
    addInline(list, element);
  }
  const fresh: Known = {
    project,
    elements: page.elements,
    seen: seenBy(project, page),
    direction: page.direction,
    under,
    alternates,
    fold,
    list: list.filter(({ declarations }) => Object.keys(declarations).length > 0),
    ...(asks && { states: states.join() }),
  };
  memo.set(element, versions ? [fresh, versions[0]!] : [fresh]);
  return fresh;
}

/** The element that a box belongs to; itself for an element. */
const carrierOf = (page: Page, element: PageElement): PageElement =>
  element.tag.startsWith('::') ? page.elements[splitPseudo(element.id).id]! : element;

/** Whether it is the document that says when something written for such a state holds. */
function asksTheDocument(pseudo: Pseudo): boolean {
  const { state } = readPseudo(pseudo);
  return state !== undefined && !isUsed(state);
}

/** What the element's `style` says: it beats everything but what is important elsewhere (CSS Style Attributes). */
function addInline(list: Source[], { id, attributes: { style } }: PageElement): void {
  const [rule] = style ? readWholeSheet(`* {${style}\n}`).rules : [];
  if (!rule) return;
  const put = (at: number, declarations: Declarations, important?: true) =>
    list.splice(at, 0, { layer: 'inline', at: BASE, declarations, ...(important && { important }) });
  const firstImportant = list.findIndex(({ important }) => important);
  put(firstImportant < 0 ? list.length : firstImportant, rule.normal);
  const forced = list.findLastIndex(({ layer, important }) => layer === 'browser' && important);
  put(forced < 0 ? list.length : forced, rule.important, true);
  const doubted = [...rule.doubted, ...(rule.doubtedImportant ?? [])];
  if (doubted.length > 0) list.push({ layer: 'inline', at: BASE, declarations: unknown(doubted), unsure: `${id} inline` });
}

function collectBox(project: Project, page: Page, carrier: PageElement, pseudo: Pseudo): Source[] {
  const box = readPseudo(pseudo).box!;
  const rules = (important: boolean) =>
    importedSources(project, page, carrier, important, box).map((source): Source => ({ ...source, pseudo }));
  const own: Source = { layer: 'browser', at: BASE, pseudo, declarations: boxDefaultFor(carrier, box) };
  return [own, ...rules(false), ...rules(true)];
}

function importedSources(project: Project, page: Page, element: PageElement, important: boolean, box?: string): Source[] {
  const id = `${element.id}${box ? `::${box}` : ''}`;
  return importedRules(project, page, element, box, important).flatMap(({ rule, sheetId, holds, ask, order }): Source[] => {
    const source: Source = {
      ...{ layer: 'imported', at: BASE, owner: sheetId, rule: { selector: rule.selector, line: rule.line } },
      ...(rule.when && { when: rule.when }),
      ...(holds && { holds }),
      ...(important && { important }),
      ...(ask !== undefined && { unsure: `${id} ${ask}` }),
      declarations: important ? rule.important : rule.normal,
    };
    const doubted = (important ? rule.doubtedImportant : rule.doubted) ?? [];
    if (doubted.length === 0) return [source];
    return [source, { ...source, unsure: `${id} ${askValues(order, important)}`, declarations: unknown(doubted) }];
  });
}

const unknown = (names: readonly string[]): Declarations => Object.fromEntries(names.map((name) => [name, '']));

function collect(
  project: Project,
  page: Page,
  element: PageElement,
  ancestors: readonly string[],
  isDisabled: boolean,
): Source[] {
  const list: Source[] = [];
  const put = (layer: Layer, declarations: Declarations, owner?: string) =>
    list.push({ layer, at: BASE, declarations, ...(owner && { owner }) });
  put(
    'browser',
    browserDefaultFor(
      element,
      ancestors,
      isRightToLeft(element, page.direction === 'rtl' ? [...ancestors, 'html[rtl]'] : ancestors),
      isDisabled,
    ),
  );
  for (const [state, declarations] of stateDefaultsFor(element, isDisabled))
    list.push({ layer: 'browser', at: BASE, pseudo: `:${state}`, held: { element: element.id, state }, declarations });
  if (page.brought) put('browser', presentationalFor(page, element));
  else put('foundation', foundationFor(element.tag));
  if (element === HTML) put('foundation', rootFontSize(project), HTML.id);
  list.push(...importedSources(project, page, element, false));
  for (const { layer, styles, owner } of ownersOf(project, element))
    list.push(...declared(project.breakpoints, layer, styles, owner));
  list.push(...importedSources(project, page, element, true));
  list.push({ layer: 'browser', at: BASE, important: true, declarations: browserForcedFor(element) });
  return list;
}

interface KnownConditions {
  readonly sheets: Project['sheets'];
  readonly brought: readonly Page['brought'][];
  readonly list: readonly Condition[];
}
const conditions = new WeakMap<Project['breakpoints'], KnownConditions>();

/** Every condition that can make a difference in the project: its breakpoints', and those in imported sheets. */
export function conditionsOf(project: Project): readonly Condition[] {
  const known = conditions.get(project.breakpoints);
  const brought = project.pages.map((page) => page.brought);
  const same = known?.brought.length === brought.length && brought.every((one, i) => one === known.brought[i]);
  if (known?.sheets === project.sheets && same) return known.list;
  const list = [
    ...project.breakpoints.map(({ condition }) => condition),
    ...[{}, ...project.pages.filter((page) => page.brought)].flatMap((page) =>
      rulesOn(project, page).flatMap(({ rule }) => rule.when ?? []),
    ),
  ];
  conditions.set(project.breakpoints, { sheets: project.sheets, brought, list });
  return list;
}

/** All declarations of a property on one element, weakest first (CSS Cascade 5, 6.1). */
export function candidatesFor(project: Project, page: Page, element: PageElement, property: string): Candidate[] {
  return sourcesOf(project, page, element, property).map(({ declarations, ...source }) => ({
    value: declarations[property]!,
    ...source,
  }));
}
