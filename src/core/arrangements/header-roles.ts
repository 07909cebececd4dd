import { childIds } from '../document/content';
import type { PageElement } from '../document/element';
import { openersOf } from '../document/panels';
import type { Page } from '../document/project';
import { ancestorsOf, subtreeOf } from '../document/tree';
import type { Recognised, Role } from './arrangement';

export const LOGO: Role = { id: 'logo', label: 'Logo or name', needed: false };
export const MENU: Role = { id: 'menu', label: 'Menu', needed: true };
export const ACTIONS: Role = { id: 'actions', label: 'Actions', needed: false };

const isLink = ({ tag }: PageElement) => tag === 'a';
const COULD_BE_MENU = new Set(['nav', 'ul', 'ol', 'menu', 'div']);
const COULD_BE_LOGO = new Set(['a', 'img', 'svg', 'h1', 'h2', 'p', 'span', 'strong', 'div']);

/** What holds links and next to nothing else: a menu, or what could be one. Outermost first. */
function menus(tree: Page, header: string): readonly PageElement[] {
  return subtreeOf(tree, header)
    .slice(1)
    .filter((one) => {
      if (!COULD_BE_MENU.has(one.tag)) return false;
      const links = subtreeOf(tree, one.id).filter(isLink).length;
      return one.tag === 'nav' ? links > 0 : links > 1;
    });
}

/**
 * What in a header is the menu, the logo and the actions: by the elements that HTML has for them (`nav`; a link that comes first), else
 * by what they hold. Where more than one could be meant nothing is found and all are named.
 */
export function recogniseHeader(tree: Page, header: string): Readonly<Record<string, Recognised>> {
  const candidates = menus(tree, header);
  const navs = candidates.filter(({ tag }) => tag === 'nav');
  const outer = candidates.filter(({ id }) => !ancestorsOf(tree, id).some((above) => candidates.includes(above)));
  const sure = navs.length === 1 ? navs[0] : navs.length === 0 && outer.length === 1 ? outer[0] : undefined;
  const inMenu = (id: string) => sure !== undefined && (id === sure.id || ancestorsOf(tree, id).includes(sure));
  const holdsMenu = (id: string) => sure !== undefined && subtreeOf(tree, id).includes(sure);
  const rest = subtreeOf(tree, header)
    .slice(1)
    .filter(({ id }) => !inMenu(id) && !holdsMenu(id));
  const tops = rest.filter(({ id }) => !ancestorsOf(tree, id).some((above) => rest.includes(above)));
  const logos = tops.filter(({ tag }) => COULD_BE_LOGO.has(tag));
  const [first] = childIds(tree.elements[header]!);
  const logo = logos.length === 1 || (logos[0] && logos[0].id === first) ? logos[0] : undefined;
  const opening = new Set(sure ? openersOf(tree, sure) : []);
  const actions = tops.filter(
    (one) => one !== logo && !opening.has(one) && subtreeOf(tree, one.id).some(({ tag }) => tag === 'a' || tag === 'button'),
  );
  const ids = (list: readonly PageElement[]) => list.map(({ id }) => id);
  return {
    [MENU.id]: { found: sure?.id, among: ids(candidates) },
    [LOGO.id]: { found: logo?.id, among: ids(logos) },
    [ACTIONS.id]: { found: actions.length === 1 ? actions[0]!.id : undefined, among: ids(actions) },
  };
}

/** Why an element is no header that could be arranged; undefined where it is one. */
export function whyNoHeader(tree: Page, id: string): string | undefined {
  const element = tree.elements[id]!;
  if (menus(tree, id).length === 0) return `${element.name} has no menu in it: nothing there holds several links.`;
  if (element.tag === 'body' || element.tag === 'main')
    return `${element.name} is more than a header: select what holds the logo and the menu.`;
  return undefined;
}

/** The element whose children are the entries of a menu: the innermost that holds all of its links. */
export function entriesOf(tree: Page, menu: string): string {
  const all = subtreeOf(tree, menu).filter(isLink).length;
  let at = menu;
  for (;;) {
    const inner = childIds(tree.elements[at]!).find((id) => subtreeOf(tree, id).filter(isLink).length === all);
    if (inner === undefined || isLink(tree.elements[inner]!)) return at;
    at = inner;
  }
}
