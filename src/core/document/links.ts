import type { PageElement } from './element';
import type { Page, Project } from './project';

/** The elements of other pages that lead to a page, or to a place on it, by its id. */
export function linksTo({ pages }: Project, { id }: Page): PageElement[] {
  const leadsThere = ({ attributes: { href } }: PageElement) => href === `page:${id}` || href?.startsWith(`page:${id}#`);
  return pages.flatMap((page) => (page.id === id ? [] : Object.values(page.elements).filter(leadsThere)));
}
