import type { Project } from './project';
import type { PageElement } from './element';
import { GIVEN_KINDS, kindNamed } from './kinds';
import { partOwnersOf, partsInOrder } from './parts';
import { subtreeOf } from './tree';

const memo = new WeakMap<Project, ReadonlyMap<string, string>>();

const slugs = new Map<string, string>();

/** A name in small letters, digits and hyphens that begins with a letter. */
export function slugOf(name: string): string {
  let slug = slugs.get(name);
  if (slug === undefined) {
    if (slugs.size > 10_000) slugs.clear();
    slugs.set(name, (slug = makeSlug(name)));
  }
  return slug;
}

function makeSlug(name: string): string {
  const slug = name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40)
    .replace(/-+$/, '');
  return /^[a-z]/.test(slug) ? slug : slug ? `n-${slug}` : 'part';
}

/** Class names that the element was brought along with. */
const keptClasses = ({ attributes }: PageElement): string[] => attributes.class?.split(/\s+/).filter(Boolean) ?? [];

const declares = (element: PageElement) => {
  for (const at in element.styles) for (const _ in element.styles[at]) return true;
  return element.pseudo !== undefined;
};

/**
 * The class of every kind that people give, of every shared style and of every element with values of its own, from their
 * names: once for a part's, and once for what a use says of it besides. Unique in the
 * project, since one sheet serves all pages, and never one that was kept from elsewhere; the second of the same name gets
 * "-2", in document order.
 */
export function classNames(project: Project): ReadonlyMap<string, string> {
  const known = memo.get(project);
  if (known) return known;
  const trees = partsInOrder(project).map((part) => subtreeOf(part, part.root));
  const parts = trees.flatMap(([, ...inside]) => inside);
  const elements = [...parts, ...project.pages.flatMap((page) => subtreeOf(page, page.root))];
  const taken = new Set<string>();
  const next = new Map<string, number>();
  const names = new Map<string, string>();
  for (const element of elements) for (const kept of keptClasses(element)) taken.add(kept);
  const give = (id: string, name: string) => {
    const slug = slugOf(name);
    let unique = slug;
    let n = next.get(slug) ?? 1;
    while (taken.has(unique)) unique = `${slug}-${++n}`;
    next.set(slug, n);
    taken.add(unique);
    names.set(id, unique);
  };
  if (elements.some(({ kind }) => kind)) for (const kind of GIVEN_KINDS) give(kind, kindNamed(kind)!.one);
  for (const style of project.shared) give(style.id, style.name);
  for (const element of elements) if (declares(element)) give(element.id, element.name);
  // Around a part stands something only where it is looked at by itself: no name in an export is another for it.
  for (const [around] of trees) if (around && declares(around)) give(around.id, around.name);
  memo.set(project, names);
  return names;
}

/** Says that two versions of a project have the same names in all places, which spares finding them again. */
export function sameClassNames(before: Project, after: Project): void {
  memo.set(after, classNames(before));
}

/** The classes that an element carries in the HTML, in the order of their strength. */
export function classesOf(project: Project, element: PageElement): string[] {
  const names = classNames(project);
  const classes = keptClasses(element);
  if (element.kind) classes.push(names.get(element.kind)!);
  if (element.shared.length > 0)
    for (const style of project.shared) if (element.shared.includes(style.id)) classes.push(names.get(style.id)!);
  for (const owner of [...partOwnersOf(element), element.id]) {
    const own = names.get(owner);
    if (own) classes.push(own);
  }
  return classes;
}
