import type { PageElement } from '../document/element';
import { htmlIdsOn } from '../document/html-ids';
import { broughtPage } from '../document/links';
import type { Page, Project } from '../document/project';
import { treesOf } from '../document/tree';
import { sayingOf, splitShownId } from '../document/use';
import type { LintFinding } from './lint';

/** Links to pages and places that aren't there (WCAG 2.2 asks for their purpose only; browsers show a page of errors). */
export function lintLinks(project: Project): LintFinding[] {
  const ids = new Map<Page, ReadonlySet<string>>();
  const has = (page: Page, place: string) => {
    let known = ids.get(page);
    if (!known) {
      // Names of links were places before ids were (HTML, 7.4.6.4).
      const named = Object.values(page.elements).flatMap(({ tag, attributes: { name } }) => (tag === 'a' && name ? [name] : []));
      ids.set(page, (known = new Set([...htmlIdsOn(page), ...named])));
    }
    return known.has(place);
  };
  return treesOf(project).flatMap((page) =>
    Object.values(page.elements).flatMap((element) => {
      const { href } = element.attributes;
      if (href === undefined || isSaidElsewhere(project, page, element)) return [];
      const why = whyNowhere(project, page, href, has);
      return why === undefined ? [] : [finding(page, element, why)];
    }),
  );
}

/** Where a link of a part leads is said once, of the part; only places on the page it stands on are looked for there. */
function isSaidElsewhere(project: Project, page: Page, element: PageElement): boolean {
  const isPlace = element.attributes.href!.trim().startsWith('#');
  if (project.parts.some(({ id }) => id === page.id)) return isPlace;
  if (!element.layers || isPlace) return false;
  const { holder, path } = splitShownId(element.id);
  const use = page.elements[holder]!;
  return (path === '' ? use.kept?.attributes : sayingOf(use.use, path).attributes)?.href === undefined;
}

const OWN_FILE = /^(?:\.\/)?([^/?#:]+)\.html(?=#|$)/i;

function whyNowhere(project: Project, page: Page, href: string, has: (page: Page, place: string) => boolean): string | undefined {
  const [address = '', fragment] = href.trim().split(/#(.*)/s);
  let target: Page | undefined = page;
  if (address.startsWith('page:')) {
    target = project.pages.find(({ id }) => id === address.slice(5));
    if (!target) return 'leads to a page that has been removed.';
  } else if (address !== '' && page.brought) {
    // What isn't in the package may be where the page is published.
    target = broughtPage(project, page, address);
    if (!target) return undefined;
  } else if (address !== '') {
    const file = OWN_FILE.exec(address)?.[1];
    if (file === undefined) return undefined;
    target = project.pages.find(({ slug }) => slug === file);
    if (!target) return `leads to ${file}.html, and no page has that file name.`;
  }
  // Browsers take no fragment, and "top" where nothing has that id, for the top of the page (HTML, 7.4.6.4).
  const place = decoded(fragment ?? '');
  if (place === '' || place.toLowerCase() === 'top' || has(target, place)) return undefined;
  return `leads to #${place}, and nothing on ${target === page ? 'this page' : `"${target.name}"`} has that id.`;
}

function decoded(fragment: string): string {
  try {
    return decodeURIComponent(fragment);
  } catch {
    return fragment;
  }
}

const finding = (page: Page, { id, name }: PageElement, why: string): LintFinding => ({
  lint: 'leads-nowhere',
  key: `${id} link`,
  owner: id,
  pageId: page.id,
  sentence: `${name} ${why}`,
  fix: undefined,
  unchanged: false,
});
