import type { Project } from '../document/project';
import { subtreeOf } from '../document/tree';

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

/**
 * The class of every shared style and of every element with values of its own, from their names. Unique in the
 * project, since one sheet serves all pages; the second of the same name gets "-2", in document order.
 */
export function classNames(project: Project): ReadonlyMap<string, string> {
  const known = memo.get(project);
  if (known) return known;
  const taken = new Set<string>();
  const names = new Map<string, string>();
  const give = (id: string, name: string) => {
    const slug = slugOf(name);
    let unique = slug;
    for (let n = 2; taken.has(unique); n++) unique = `${slug}-${n}`;
    taken.add(unique);
    names.set(id, unique);
  };
  for (const style of project.shared) give(style.id, style.name);
  for (const page of project.pages)
    for (const element of subtreeOf(page, page.root))
      if (Object.values(element.styles).some((declarations) => Object.keys(declarations).length > 0))
        give(element.id, element.name);
  memo.set(project, names);
  return names;
}
