import type { Viewport } from '../breakpoints/viewport';
import type { Cell } from '../breakpoints/cells';
import { cellsOf, widthsOfCells } from '../breakpoints/cells';
import { ALL_WIDTHS, union } from '../breakpoints/interval';
import { importedRules } from '../cascade/imported';
import type { Look } from '../cascade/look';
import { heldIn } from '../cascade/look';
import { circumstancesOf, lookUnder } from '../cascade/circumstances';
import { specifiedValue } from '../cascade/resolve';
import { seenNodes } from '../cascade/seen-nodes';
import { conditionsOf } from '../cascade/sources';
import { densitiesOf } from '../devices/densities';
import { classNames } from '../document/class-names';
import { ownerKind } from '../document/owner';
import { alternatesWith } from '../document/alternates';
import { childIds } from '../document/content';
import type { PageElement } from '../document/element';
import { isInUse } from '../document/use';
import { pictureAt } from '../document/shown-pictures';
import { partNamed, shownAs } from '../document/parts';
import type { Project } from '../document/project';
import { splitPseudo } from '../document/pseudo';
import { pageOf, subtreeOf, treesOf } from '../document/tree';
import { propertyNamed } from '../styles/properties';
import { sameJson } from '../text';
import { Alike } from './alike';
import type { Footprint, PageFootprint } from './edit';
import { allOwners, carriersOf } from './owners';

/** Owner id (element, shared style, kind, each perhaps with a state or a box) to the properties written on it. */
export type Changes = ReadonlyMap<string, ReadonlySet<string>>;

let last: { before: readonly unknown[]; cells: readonly Cell[] } | undefined;

/** The parts of all viewports that have to be looked at one by one to compare two versions of a project. */
export function cellsBetween(before: Project, after: Project): readonly Cell[] {
  const key = [before.breakpoints, before.sheets, after.breakpoints, after.sheets];
  if (!last || last.before.some((one, i) => one !== key[i]))
    last = { before: key, cells: cellsOf([...conditionsOf(before), ...conditionsOf(after)]) };
  return last.cells;
}

/** The parts of all viewports in which a property has another value after than before, each as it is looked at. */
function differingCells(before: Project, after: Project, looks: readonly (readonly [Look, Look])[], property: string): Cell[] {
  return cellsBetween(before, after).filter(({ sample }) =>
    looks.some(([was, is]) =>
      openOrNot(was, is, property, sample).some(
        (viewport) =>
          specifiedValue(was.project, was.page, was.node, property, heldIn(was, viewport)) !==
          specifiedValue(is.project, is.page, is.node, property, heldIn(is, viewport)),
      ),
    ),
  );
}

/** What a closed panel hides shows when it is opened. */
function openOrNot(was: Look, is: Look, property: string, sample: Viewport): readonly Viewport[] {
  const isPanel = property === 'display' && [was, is].some(({ page, node }) => page.elements[node]?.panel !== undefined);
  return isPanel ? [sample, { ...sample, open: [was.node] }] : [sample];
}

/**
 * What changes of values can reach: the widths at which the named properties of the elements that have or carry them
 * have another winner's value after than before, in the state for which they are written. Elements below are named too
 * where a property is inherited.
 */
export function stylesFootprint(before: Project, after: Project, changes: Changes): Footprint {
  const perPage = new Map<string, Map<string, Set<string>>>();
  for (const [owner, names] of changes) {
    const { pseudo } = splitPseudo(owner);
    for (const version of ownerKind(owner) === 'element' ? [after] : [before, after])
      for (const { page, element } of carriersOf(version, owner)) {
        const elements = perPage.get(page.id) ?? new Map<string, Set<string>>();
        perPage.set(page.id, elements);
        const key = element.id + pseudo;
        elements.set(key, new Set([...(elements.get(key) ?? []), ...names]));
      }
  }
  const alike = new Alike<readonly Cell[]>();
  return mergeFootprints(...[...perPage].map(([pageId, elements]) => pageFootprint(before, after, pageId, elements, alike)));
}

/** @param changes by element id, with the state or box that is looked at behind it */
function pageFootprint(
  before: Project,
  after: Project,
  pageId: string,
  changes: Changes,
  alike = new Alike<readonly Cell[]>(),
): Footprint {
  const was = pageOf(before, pageId);
  const is = pageOf(after, pageId);
  if (!was || !is) return {};
  const elements = new Set<string>();
  const properties = new Set<string>();
  const cells = new Set<Cell>();
  const differingOf = (id: string, pseudo: string, name: string) => {
    const asked = [...circumstancesOf(before, was, id, pseudo, name), ...circumstancesOf(after, is, id, pseudo, name)];
    const looks = [...new Set(asked)].map(
      (one) => [lookUnder(before, was, id, pseudo, one), lookUnder(after, is, id, pseudo, one)] as const,
    );
    return differingCells(before, after, looks, name);
  };
  for (const [key, names] of changes) {
    const { id, pseudo } = splitPseudo(key);
    if (!was.elements[id] || !is.elements[id]) continue;
    for (const name of names) {
      const differing = alike.of(before, after, [was, is], id, `${pseudo} ${name}`, () => differingOf(id, pseudo, name));
      if (differing.length === 0) continue;
      for (const cell of differing) cells.add(cell);
      properties.add(name);
      elements.add(id);
      if (propertyNamed(name).inherited) for (const below of subtreeOf(is, id)) elements.add(below.id);
    }
  }
  if (cells.size === 0) return {};
  const widths = widthsOfCells([...cells]);
  return { [pageId]: { elements: [...elements], properties: [...properties], widths, html: false } };
}

/** The footprint of a change to breakpoints: all that is written under one of them, by whomever. */
export function breakpointFootprint(before: Project, after: Project, ids: readonly string[]): Footprint {
  const changes = new Map<string, Set<string>>();
  for (const project of [before, after])
    for (const { id, styles } of allOwners(project))
      for (const at of ids) if (styles[at]) changes.set(id, new Set([...(changes.get(id) ?? []), ...Object.keys(styles[at])]));
  const chosen = chosenAt([before, after], ids);
  return mergeFootprints(
    stylesFootprint(before, after, changes),
    shownFootprint(before, after, chosen),
    picturesFootprint(before, after, chosen),
  );
}

/** The footprint of a change to which shared styles or kind an element carries. */
export function carryingFootprint(before: Project, after: Project, pageId: string, elementId: string): Footprint {
  const changes = new Map<string, Set<string>>();
  for (const project of [before, after])
    for (const { id, styles } of allOwners(project))
      if (ownerKind(id) !== 'element' && carriersOf(project, id).some(({ element }) => element.id === elementId)) {
        const key = elementId + splitPseudo(id).pseudo;
        const names = changes.get(key) ?? new Set<string>();
        changes.set(key, names);
        for (const declarations of Object.values(styles)) for (const name in declarations) names.add(name);
      }
  const footprint = pageFootprint(before, after, pageId, changes);
  const part = footprint[pageId] ?? { elements: [elementId], properties: [], widths: [], html: true };
  return { [pageId]: { ...part, html: true } };
}

/** The elements that say something of themselves at one of those places: where they are chosen or panels, what they show. */
function chosenAt(projects: readonly Project[], ids: readonly string[]): readonly string[] {
  const says = ({ alternate, panel, pictures }: PageElement) =>
    ids.some((at) => alternate?.at.includes(at) || (panel && at in panel.at) || (pictures && at in pictures));
  return projects.flatMap((project) =>
    treesOf(project).flatMap(({ elements }) =>
      Object.values(elements).flatMap((one) => (says(one) && !isInUse(one.id) ? [one.id] : [])),
    ),
  );
}

/** Whether something is chosen at a place: an alternate, whether something is a panel, a picture. */
export const isChosenAt = (project: Project, at: string): boolean => chosenAt([project], [at]).length > 0;

/** The footprint of where elements show: of what is one of several alternates all of them, in every use of a part. */
export function shownFootprint(before: Project, after: Project, nodes: readonly string[]): Footprint {
  if (nodes.length === 0) return {};
  return mergeFootprints(
    ...treesOf(after).map((tree): Footprint => {
      const was = pageOf(before, tree.id);
      if (!was) return {};
      const versions = [[before, was] as const, [after, tree] as const];
      const ids = new Set(
        nodes.flatMap((node) =>
          versions.flatMap(([project, page]) =>
            shownAs(project, page, node).flatMap((id) => [
              id,
              ...(alternatesWith(page, page.elements[id])?.members ?? []),
              // What unfolds hides its summary where it is part of the page.
              ...childIds(page.elements[id]!).filter((child) => page.elements[child]!.tag === 'summary'),
            ]),
          ),
        ),
      );
      if (ids.size === 0) return {};
      const changes = new Map([...ids].map((id) => [id, new Set(['display'])] as const));
      const part = pageFootprint(before, after, tree.id, changes)[tree.id];
      // Whether classes come or go, it is written in the HTML.
      return { [tree.id]: { ...(part ?? { elements: [...ids], properties: [], widths: [] }), html: true } };
    }),
  );
}

/** The footprint of which pictures images show: the widths at which any of them, in any use of a part, shows another. */
export function picturesFootprint(before: Project, after: Project, nodes: readonly string[]): Footprint {
  if (nodes.length === 0) return {};
  const cells = cellsBetween(before, after);
  return mergeFootprints(
    ...treesOf(after).map((tree): Footprint => {
      const was = pageOf(before, tree.id);
      const ids = nodes.flatMap((node) => shownAs(after, tree, node)).filter((id) => was?.elements[id]);
      if (!was || ids.length === 0) return {};
      const differing = cells.filter(({ sample }) =>
        ids.some(
          (id) =>
            pictureAt(before.breakpoints, was.elements[id]!, sample) !== pictureAt(after.breakpoints, tree.elements[id]!, sample),
        ),
      );
      return { [tree.id]: { elements: ids, properties: [], widths: widthsOfCells(differing), html: true } };
    }),
  );
}

/** The whole page, at all widths: its HTML changed. */
export function structureFootprint(pageId: string, elements: readonly string[]): Footprint {
  return { [pageId]: { elements, properties: [], widths: ALL_WIDTHS, html: true } };
}

/**
 * What other class names reach: the elements that other rules of sheets from elsewhere match then. Classes follow the
 * names of elements and styles, and an element has one of its own only while it has values of its own.
 */
export function classesFootprint(before: Project, after: Project): Footprint {
  if (before.sheets !== after.sheets || after.sheets.length === 0) return {};
  const [was, is] = [classNames(before), classNames(after)];
  if (was.size === is.size && [...is].every(([id, name]) => was.get(id) === name)) return {};
  return mergeFootprints(
    ...treesOf(after).map((page): Footprint => {
      const old = pageOf(before, page.id);
      if (old && seenNodes(before, old) === seenNodes(after, page)) return {};
      const elements = Object.values(page.elements).flatMap((element) => {
        const earlier = old?.elements[element.id];
        if (!old || !earlier) return [];
        const [a, b] = [importedRules(before, old, earlier), importedRules(after, page, element)];
        return a.length === b.length && a.every(({ rule }, i) => rule === b[i]!.rule) ? [] : [element.id];
      });
      if (elements.length === 0) return {};
      return { [page.id]: { elements, properties: [], widths: ALL_WIDTHS, html: false } };
    }),
  );
}

/**
 * What changes in the tree of a part reach where it is used. Values needn't be followed: what they reach has been asked of
 * every element that shows them.
 */
export function withUses(before: Project, after: Project, footprint: Footprint): Footprint {
  const inParts = Object.entries(footprint).filter(([id, { html }]) => html && [before, after].some((one) => partNamed(one, id)));
  if (inParts.length === 0) return footprint;
  const trees = [before, after].flatMap((project) => treesOf(project).map((tree) => ({ project, tree })));
  const reached = inParts.flatMap(([id, reach]) =>
    trees.flatMap(({ project, tree }): Footprint[] => {
      const elements = tree.id === id ? [] : reach.elements.flatMap((one) => shownAs(project, tree, one));
      return elements.length === 0 ? [] : [{ [tree.id]: { ...reach, elements } }];
    }),
  );
  return mergeFootprints(footprint, ...reached);
}

/** Everything, everywhere: what sheets from elsewhere can reach. */
export function wholeFootprint(project: Project): Footprint {
  return mergeFootprints(
    ...treesOf(project).map((page) => ({
      [page.id]: { elements: Object.keys(page.elements), properties: [], widths: ALL_WIDTHS, html: false },
    })),
  );
}

/** What devices reach: by their densities, pages that show pictures made of pixels. */
export function densitiesFootprint(before: Project, after: Project): Footprint {
  const shows = after.pictures.some(({ photo }) => photo) || after.pages.some(({ brought }) => brought);
  return shows && !sameJson(densitiesOf(before), densitiesOf(after)) ? wholeFootprint(after) : {};
}

export function mergeFootprints(...footprints: readonly Footprint[]): Footprint {
  const result: Record<string, PageFootprint> = {};
  for (const footprint of footprints)
    for (const [page, part] of Object.entries(footprint)) {
      const known = result[page];
      result[page] = known
        ? {
            elements: [...new Set([...known.elements, ...part.elements])],
            properties: [...new Set([...known.properties, ...part.properties])],
            widths: union(known.widths, part.widths),
            html: known.html || part.html,
          }
        : part;
    }
  return result;
}
