import type { IntervalSet } from '../breakpoints/interval';
import { ALL_WIDTHS, union } from '../breakpoints/interval';
import { differingWidths, laneFor } from '../cascade/lanes';
import type { Page, Project } from '../document/project';
import { pageOf, subtreeOf } from '../document/tree';
import { propertyNamed } from '../styles/properties';
import type { Footprint, PageFootprint } from './edit';

/**
 * The widths at which the named properties of the named elements have another winner's value after than before.
 * Elements below are named too where a property is inherited.
 */
export function stylesFootprint(
  before: Project,
  after: Project,
  pageId: string,
  changes: ReadonlyMap<string, ReadonlySet<string>>,
): Footprint {
  const was = pageOf(before, pageId);
  const is = pageOf(after, pageId);
  if (!was || !is) return {};
  const elements = new Set<string>();
  const properties = new Set<string>();
  let widths: IntervalSet = [];
  for (const [id, names] of changes)
    for (const name of names) {
      const differing = differingWidths(laneFor(before, was, id, name), laneFor(after, is, id, name));
      if (differing.length === 0) continue;
      widths = union(widths, differing);
      properties.add(name);
      elements.add(id);
      if (propertyNamed(name).inherited) for (const below of subtreeOf(is, id)) elements.add(below.id);
    }
  if (widths.length === 0) return {};
  return { [pageId]: { elements: [...elements], properties: [...properties], widths, html: false } };
}

/** The footprint of a change to breakpoints: every element that has, or carries, values under one of them. */
export function breakpointFootprint(before: Project, after: Project, ids: readonly string[]): Footprint {
  return after.pages.reduce<Footprint>((all, page) => {
    const was = pageOf(before, page.id);
    const changes = new Map<string, Set<string>>();
    for (const [project, version] of [
      [before, was],
      [after, page],
    ] as const)
      for (const [id, properties] of version ? valuesUnder(project, version, ids) : [])
        changes.set(id, new Set([...(changes.get(id) ?? []), ...properties]));
    return mergeFootprints(all, stylesFootprint(before, after, page.id, changes));
  }, {});
}

function valuesUnder(project: Project, page: Page, ids: readonly string[]): [string, string[]][] {
  const shared = new Map(project.shared.map((style) => [style.id, style.styles]));
  return Object.values(page.elements).flatMap((element): [string, string[]][] => {
    const sets = [element.styles, ...element.shared.map((id) => shared.get(id) ?? {})];
    const names = sets.flatMap((set) => ids.flatMap((id) => Object.keys(set[id] ?? {})));
    return names.length > 0 ? [[element.id, names]] : [];
  });
}

/** The whole page, at all widths: its HTML changed. */
export function structureFootprint(pageId: string, elements: readonly string[]): Footprint {
  return { [pageId]: { elements, properties: [], widths: ALL_WIDTHS, html: true } };
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
