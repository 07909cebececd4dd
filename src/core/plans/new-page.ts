import { slugOf } from '../document/class-names';
import type { Child } from '../document/content';
import { isRun } from '../document/content';
import type { PageElement } from '../document/element';
import { keptTree } from '../document/expand';
import { newPage } from '../document/new-project';
import { isReservedFileName } from '../document/page-fields';
import type { Page, Project } from '../document/project';
import { subtreeOf } from '../document/tree';

/** What a new page begins with: next to nothing, all of another page, or what stands around another's main part. */
export type Beginning = { readonly from: 'empty' } | { readonly from: 'copy' | 'around'; readonly page: string };

/** A file name for a page that no other has, made of its name: "Opening hours" becomes `opening-hours`. */
export function freeFileName(pages: readonly Pick<Page, 'slug'>[], name: string): string {
  const made = slugOf(name);
  // A name in another script leaves nothing that a file name could be made of.
  const wanted = made === 'part' ? 'page' : made;
  const taken = (slug: string) => isReservedFileName(slug) || pages.some((page) => page.slug === slug);
  if (!taken(wanted)) return wanted;
  for (let n = 2; ; n++) if (!taken(`${wanted}-${n}`)) return `${wanted}-${n}`;
}

/** A name that no other page has: "Hours", "Hours 2". */
export function freePageName(pages: readonly Pick<Page, 'name'>[], wanted: string): string {
  const taken = (name: string) => pages.some((page) => page.name === name);
  if (!taken(wanted)) return wanted;
  for (let n = 2; ; n++) if (!taken(`${wanted} ${n}`)) return `${wanted} ${n}`;
}

/**
 * A page to be put in. Its elements' ids are made of `key`, at most 12 small letters and digits, which is to be new.
 * HTML ids stay: they count on their own page only.
 */
export function planPage(project: Project, name: string, beginning: Beginning, key: string): Page {
  const id = `g${key}`;
  const slug = freeFileName(project.pages, name);
  const shown = beginning.from === 'empty' ? undefined : project.pages.find((page) => page.id === beginning.page);
  if (!shown) return newPage(id, name, slug);
  const model = keptTree(shown);
  const fresh = new Map(Object.keys(model.elements).map((old, i) => [old, `e${key}x${i.toString(36)}`]));
  const renewed = (children: readonly Child[]) => children.map((child) => (isRun(child) ? child : fresh.get(child)!));
  let elements = Object.values(model.elements).map((element): PageElement => ({
    ...element,
    id: fresh.get(element.id)!,
    children: renewed(element.children),
  }));
  const main = Object.values(model.elements).find(({ tag }) => tag === 'main');
  if (beginning.from === 'around' && main) {
    const gone = new Set(subtreeOf(model, main.id).map((element) => fresh.get(element.id)));
    const start = newPage(id, name, slug);
    const within = Object.values(start.elements).filter(({ tag }) => tag !== 'body' && tag !== 'main');
    elements = elements.flatMap((element) => {
      if (element.id === fresh.get(main.id)) return [{ ...element, children: within.map((one) => one.id) }, ...within];
      return gone.has(element.id) ? [] : [element];
    });
  }
  const { title: _, description: __, ...kept } = model;
  return {
    ...kept,
    id,
    name,
    slug,
    root: fresh.get(model.root)!,
    elements: Object.fromEntries(elements.map((one) => [one.id, one])),
  };
}
