import type { PageElement } from './element';
import type { Page } from './project';

/** HTML ids in use on a page. */
export function htmlIdsOn({ elements }: Pick<Page, 'elements'>): Set<string> {
  const ids = new Set<string>();
  for (const key in elements) {
    const { id } = elements[key]!.attributes;
    if (id !== undefined) ids.add(id);
  }
  return ids;
}

/** For each HTML id of some elements one that isn't taken: "field" becomes "field-2". */
export function freshHtmlIds(elements: readonly PageElement[], taken: ReadonlySet<string>): Map<string, string> {
  const used = new Set(taken);
  const fresh = new Map<string, string>();
  for (const { attributes } of elements) {
    if (attributes.id === undefined || fresh.has(attributes.id)) continue;
    let id = attributes.id;
    for (let n = 2; used.has(id); n++) id = `${attributes.id}-${n}`;
    used.add(id);
    fresh.set(attributes.id, id);
  }
  return fresh;
}

const REFERS = ['for', 'aria-labelledby', 'aria-describedby', 'aria-controls', 'popovertarget'] as const;

/** Attributes with ids, and what refers to them, changed along. */
export function withHtmlIds(attributes: PageElement['attributes'], fresh: ReadonlyMap<string, string>): Record<string, string> {
  const result = { ...attributes };
  if (result.id !== undefined) result.id = fresh.get(result.id) ?? result.id;
  for (const name of REFERS)
    if (result[name] !== undefined) result[name] = result[name].replace(/\S+/g, (id) => fresh.get(id) ?? id);
  if (/^#./.test(result.href ?? '')) result.href = `#${fresh.get(result.href!.slice(1)) ?? result.href!.slice(1)}`;
  return result;
}
