import { sameJson } from '../text';
import type { Child } from './content';
import { childIds, isRun, normalChildren } from './content';
import type { Drops } from './drop';
import type { PageElement, PartLayer } from './element';
import { whyNotAttribute, whyNoText } from './html';
import { freshHtmlIds, withHtmlIds } from './html-ids';
import { LIMITS } from './limits';
import { inContext } from './part-context';
import type { Fed } from './list-rows';
import { rowsOf } from './list-rows';
import { listsIn, nesting, partNamed, partsIn, partsInOrder, shownCount, topOf, usesIn } from './parts';
import type { Page, Project } from './project';
import { subtreeOf } from './tree';
import type { Saying, Use } from './use';
import { carried } from './versions';
import { isInUse, NESTED_PARTS_MOST, sayingOf, shownId } from './use';

/*
 * A part is kept once. Everybody but edits and storage sees trees in which each use stands for the elements of its part,
 * under ids of their own: "e12" for the part's top, "e12.e7" for the part's e7. A list shows a use of its item for each row.
 * `expanded` makes them so, `kept` leads back, and both remember what they made.
 */

/** Parts that are expanded already, and what lists are fed from. */
type Source = Pick<Project, 'parts'> & Fed;

interface Shown {
  /** The parts it shows, as they were. */
  readonly parts: readonly Page[];
  /** Undefined where it has no lists. */
  readonly fed: Fed | undefined;
  readonly tree: Page;
}

const sameFed = (a: Fed | undefined, b: Fed | undefined) => a?.tables === b?.tables && a?.pictures === b?.pictures;

const shownTrees = new WeakMap<Page, Shown>();
const keptTrees = new WeakMap<Page, Page>();
const shownParts = new WeakMap<Project['parts'], { readonly fed: Fed; readonly made: readonly Page[] }>();
const keptParts = new WeakMap<readonly Page[], Project['parts']>();
const projects = new WeakMap<Project, Project>();

/**
 * The project with the elements of parts in the place of their uses; itself where it is so already. Total: a use whose part isn't there, that stands in
 * itself or shows too much is left empty, for `projectProblem` to say so.
 */
export function expanded(project: Project): Project {
  if (project.parts.length === 0) return project;
  let made = projects.get(project);
  if (!made && kept(project) !== project) return project;
  if (!made) {
    const inside = expandedParts(project);
    const pages = project.pages.map((page) => expandedTree({ ...fedBy(project), parts: inside }, page));
    const parts = inContext(project, inside);
    parts.forEach((part, i) => keptTrees.set(part, keptTree(inside[i]!)));
    keptParts.set(parts, project.parts);
    made = { ...project, pages: pages.some((page, i) => page !== project.pages[i]) ? pages : project.pages, parts };
    projects.set(project, made);
    keptProjects.set(made, project);
  }
  return made;
}
const keptProjects = new WeakMap<Project, Project>();

/** The parts of a project as it is kept, with those that stand in them. */
export function expandedParts(project: Source): readonly Page[] {
  const fed = fedBy(project);
  const known = shownParts.get(project.parts);
  let made = known && sameFed(known.fed, fed) ? known.made : undefined;
  if (!made) {
    const byId = new Map<string, Page>();
    for (const part of partsInOrder(project))
      byId.set(
        part.id,
        nesting(project, part) < NESTED_PARTS_MOST ? expandedTree({ ...fed, parts: [...byId.values()] }, part) : part,
      );
    made = project.parts.map((part) => byId.get(part.id) ?? part);
    if (made.every((part, i) => part === project.parts[i])) made = project.parts;
    shownParts.set(project.parts, { fed, made });
    keptParts.set(made, project.parts);
  }
  return made;
}

const fedBy = ({ tables, pictures }: Fed): Fed => ({ tables, pictures });

function expandedTree(project: Source, tree: Page): Page {
  const { elements } = tree;
  const [uses, lists] = [usesIn(elements), listsIn(elements)];
  if (uses.length === 0 && lists.length === 0) return tree;
  const parts = [...partsIn(tree)].flatMap((id) => partNamed(project, id) ?? []);
  const fed = lists.length > 0 ? fedBy(project) : undefined;
  const known = shownTrees.get(tree);
  const isKnown = known?.parts.length === parts.length && known.parts.every((part, i) => part === parts[i]);
  if (isKnown && sameFed(known.fed, fed)) return known.tree;
  if (shownCount(project, tree) > LIMITS.elements) return tree;
  const made = { ...tree, elements: withUses(project, tree, parts) };
  shownTrees.set(tree, { parts, fed, tree: made });
  keptTrees.set(made, tree);
  return made;
}

function withUses(fed: Fed, tree: Page, parts: readonly Page[]): Page['elements'] {
  const elements: Record<string, PageElement> = { ...tree.elements };
  const byId = new Map(parts.map((part) => [part.id, part]));
  const withIds = parts.some(({ elements: inside }) =>
    Object.values(inside).some(({ attributes }) => attributes.id !== undefined),
  );
  const taken = new Set(withIds ? Object.values(tree.elements).flatMap(idsSaid) : []);
  const holders = withIds
    ? subtreeOf(tree, tree.root).filter(({ use, list }) => use ?? list)
    : [...usesIn(tree.elements), ...listsIn(tree.elements)].map((id) => tree.elements[id]!);
  const uses = holders.flatMap((one) => {
    if (!one.list) return [one];
    const part = byId.get(one.list.part);
    const rows = part && topOf(part) ? rowsOf(fed, one, part) : [];
    if (rows.length > 0) elements[one.id] = withRows(one, rows);
    return rows;
  });
  for (const use of uses) {
    const part = byId.get(use.use!.part);
    const top = part && topOf(part);
    if (!part || !top) continue;
    const fresh = withIds ? idsFor(part, taken) : NO_IDS;
    const show = (of: PageElement): void => {
      const element = shownElement(use, top, of, fresh);
      elements[element.id] = element;
      for (const id of childIds(element)) show(part.elements[id.slice(use.id.length + 1)]!);
    };
    show(top);
  }
  return elements;
}

interface WithRows {
  readonly rows: readonly PageElement[];
  readonly element: PageElement;
}
const lastWithRows = new WeakMap<PageElement, WithRows>();

/** A list with its rows behind what stands in it itself; the same object for as many rows. */
function withRows(list: PageElement, rows: readonly PageElement[]): PageElement {
  const known = lastWithRows.get(list);
  if (known?.rows.length === rows.length) return known.element;
  const element = { ...list, children: [...list.children, ...rows.map(({ id }) => id)], kept: list };
  lastWithRows.set(list, { rows, element });
  return element;
}

const NO_IDS: ReadonlyMap<string, string> = new Map();

/** The HTML ids that an element says as it is kept, be it of what it shows. */
const idsSaid = ({ attributes, use }: PageElement): readonly string[] =>
  [attributes, ...Object.values(use?.says ?? {}).map((saying) => saying.attributes)].flatMap((said) => said?.id ?? []);

/** HTML ids for a part's elements that are new on the page. */
function idsFor(part: Page, taken: Set<string>): ReadonlyMap<string, string> {
  const fresh = freshHtmlIds(subtreeOf(part, part.root), taken);
  for (const id of fresh.values()) taken.add(id);
  return fresh;
}

interface LastShown {
  readonly of: PageElement;
  readonly fresh: ReadonlyMap<string, string>;
  readonly element: PageElement;
}

/** By the use, as it is kept, and the place in its part: an edit of a part changes few of what thousands of uses show. */
const lastShown = new WeakMap<PageElement, Map<string, LastShown>>();

/** An element of a part as a use shows it; the same object as the last time where nothing is otherwise. */
function shownElement(use: PageElement, top: PageElement, of: PageElement, fresh: ReadonlyMap<string, string>): PageElement {
  let known = lastShown.get(use);
  if (!known) lastShown.set(use, (known = new Map()));
  const before = known.get(of.id);
  if (before?.of === of && before.fresh === fresh) return before.element;
  const made = newlyShown(use, top, of, fresh);
  const element = before ? withSameFields(made, before.element) : made;
  known.set(of.id, { of, fresh, element });
  return element;
}

function newlyShown(use: PageElement, top: PageElement, of: PageElement, fresh: ReadonlyMap<string, string>): PageElement {
  const path = of.id === top.id ? '' : of.id;
  const said = sayingOf(use.use, path);
  const own = path === '' ? use : said;
  // What the use says itself speaks of the page's ids, not of the part's.
  const attributes = { ...withHtmlIds(of.attributes, fresh), ...allowed(of.tag, own.attributes) };
  const { styles: _, pseudo: __, layers: ___, kept: ____, alternate, pictures, drops, ...rest } = of;
  return {
    ...rest,
    ...(drops && { drops: dropsIn(use, top, drops) }),
    // A picture of its own is shown at all widths.
    ...(pictures && own.attributes?.src === undefined && { pictures }),
    id: shownId(use.id, top.id, of.id),
    attributes,
    children: childrenFor(use, top, of, said),
    styles: own.styles,
    ...(own.pseudo && { pseudo: own.pseudo }),
    layers: layersOf(of),
    ...(alternate && path !== '' && { alternate: { ...alternate, set: `${use.id}.${alternate.set}` } }),
    ...(path === '' && ofTheUse(use, of)),
  };
}

/** What drops out of a row of a part, as a use names it. */
function dropsIn(use: PageElement, top: PageElement, { items, more }: Drops): Drops {
  const shown = (id: string) => shownId(use.id, top.id, id);
  return {
    items: items.map(({ item, at, copy }) => ({ item: shown(item), at, ...(copy && { copy: shown(copy) }) })),
    ...(more && { more: shown(more) }),
  };
}

/** What a use is besides its part's top. */
const ofTheUse = (use: PageElement, top: PageElement) => ({
  name: use.name,
  shared: use.shared.length === 0 ? top.shared : [...top.shared, ...use.shared.filter((id) => !top.shared.includes(id))],
  ...(use.locked && { locked: use.locked }),
  ...(use.first && { first: use.first }),
  ...(use.alternate && { alternate: use.alternate }),
  use: use.use!,
  kept: use,
});

/** Fields that say the same as before as the same objects, so that whoever compares by identity finds less to do. */
function withSameFields(element: PageElement, before: PageElement): PageElement {
  const attributes = sameJson(element.attributes, before.attributes) ? before.attributes : element.attributes;
  const children = sameJson(element.children, before.children) ? before.children : element.children;
  const shared = sameJson(element.shared, before.shared) ? before.shared : element.shared;
  const made = { ...element, attributes, children, shared };
  const keys = Object.keys(made) as (keyof PageElement)[];
  return keys.length === Object.keys(before).length && keys.every((key) => made[key] === before[key]) ? before : made;
}

function allowed(tag: string, attributes: Saying['attributes']): Saying['attributes'] {
  if (!attributes) return undefined;
  return Object.fromEntries(Object.entries(attributes).filter(([name, value]) => !whyNotAttribute(tag, name, value)));
}

const layerLists = new WeakMap<PageElement, readonly PartLayer[]>();

/** What parts say of an element of a part, itself the strongest. The same list for the same element. */
function layersOf(of: PageElement): readonly PartLayer[] {
  let list = layerLists.get(of);
  if (!list) {
    list = [...(of.layers ?? []), { owner: of.id, styles: of.styles, ...(of.pseudo && { pseudo: of.pseudo }) }];
    layerLists.set(of, list);
  }
  return list;
}

/** Whether the texts of a use still fit what the part has there: one for every gap between elements. */
export const fits = (texts: Saying['texts'], of: PageElement): boolean =>
  texts?.length === childIds(of).length + 1 && (whyNoText(of.tag) === undefined || texts.every((text) => text === ''));

function childrenFor(use: PageElement, top: PageElement, of: PageElement, { texts }: Saying): readonly Child[] {
  const isThere = (id: string) => !sayingOf(use.use as Use, id).hidden;
  const id = (one: string) => shownId(use.id, top.id, one);
  if (!texts || !fits(texts, of)) {
    const list = of.children.flatMap((child): Child[] => (isRun(child) ? [child] : isThere(child) ? [id(child)] : []));
    return normalChildren(list);
  }
  const list: Child[] = [{ text: texts[0]! }];
  childIds(of).forEach((child, i) => list.push(...(isThere(child) ? [id(child)] : []), { text: texts[i + 1]! }));
  return normalChildren(list);
}

/** The project as it is kept: without what uses show. */
export function kept(project: Project): Project {
  const known = keptProjects.get(project);
  if (known) return known;
  const pages = project.pages.map(keptTree);
  const parts = keptParts.get(project.parts) ?? project.parts.map(keptTree);
  const differs = (trees: readonly Page[], others: readonly Page[]) => trees.some((tree, i) => tree !== others[i]);
  if (!differs(pages, project.pages) && !differs(parts, project.parts)) return project;
  return { ...project, pages: differs(pages, project.pages) ? pages : project.pages, parts };
}

const isShown = (element: PageElement | undefined) =>
  element !== undefined && (element.kept !== undefined || isInUse(element.id));
const showsUses = carried(
  (elements) => Object.values(elements).some(isShown),
  (before, after) => isShown(before) !== isShown(after),
);

/** A page, or a part, as it is kept. */
export function keptTree(tree: Page): Page {
  const known = keptTrees.get(tree);
  if (known) return known;
  if (!showsUses(tree.elements)) return tree;
  const elements = Object.values(tree.elements);
  return { ...tree, elements: Object.fromEntries(keptElements(elements).map((one) => [one.id, one])) };
}

/** Elements as they are kept, in the same order: without those that only uses show. */
export const keptElements = (elements: readonly PageElement[]): PageElement[] =>
  elements.flatMap((element) => (isInUse(element.id) ? [] : [element.kept ?? element]));
