import { pathOf } from './addresses';
import type { PageElement } from './element';
import type { Page, Project } from './project';

/** The page that an address names on a page that was brought in, as a file of the same package; undefined where none is. */
export function broughtPage(project: Pick<Project, 'pages'>, { brought }: Page, address: string): Page | undefined {
  const path = brought && pathOf(brought.base, address);
  return path === undefined ? undefined : project.pages.find((one) => one.brought?.file === path);
}

/** The elements of other pages that lead to a page, or to a place on it, by its id. */
export function linksTo(project: Project, { id }: Page): PageElement[] {
  return project.pages.flatMap((page) => {
    if (page.id === id) return [];
    const leadsThere = ({ attributes: { href = '' } }: PageElement) =>
      href === `page:${id}` || href.startsWith(`page:${id}#`) || (href !== '' && broughtPage(project, page, href)?.id === id);
    return Object.values(page.elements).filter(leadsThere);
  });
}
