import type { PageElement } from './element';
import { GIVEN_KINDS, kindNamed } from './kinds';
import type { Naming } from './naming';
import { declares, keptClasses, namingsOf } from './naming';
import { partOwnersOf } from './parts';
import type { Project } from './project';

const memo = new WeakMap<Project, ReadonlyMap<string, string>>();

/** What names were found from last: most edits leave all of it as it is, and who compares names needs the same ones then. */
interface Known {
  readonly namings: readonly Naming[];
  readonly parts: Project['parts'];
  readonly names: ReadonlyMap<string, string>;
}
const latest = new WeakMap<Project['shared'], Known>();

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
 * The class of every kind that people give, of every shared style and of every element with values of its own, from their
 * names: once for a part's, and once for what a use says of it besides. Unique in the project, since one sheet serves all
 * pages, and never one that was kept from elsewhere; the second of the same name gets "-2", in document order.
 */
export function classNames(project: Project): ReadonlyMap<string, string> {
  const known = memo.get(project);
  if (known) return known;
  const { parts, pages } = namingsOf(project);
  const namings = [...parts, ...pages];
  const before = latest.get(project.shared);
  const isSame = before?.parts === project.parts && before.namings.length === namings.length;
  if (isSame && before.namings.every((one, i) => one === namings[i])) {
    memo.set(project, before.names);
    return before.names;
  }
  const taken = new Set<string>();
  const next = new Map<string, number>();
  const names = new Map<string, string>();
  for (const { brought } of namings) for (const one of brought) taken.add(one);
  const give = (id: string, name: string) => {
    const slug = slugOf(name);
    let unique = slug;
    let n = next.get(slug) ?? 1;
    while (taken.has(unique)) unique = `${slug}-${++n}`;
    next.set(slug, n);
    taken.add(unique);
    names.set(id, unique);
  };
  if (namings.some(({ givesKinds }) => givesKinds)) for (const kind of GIVEN_KINDS) give(kind, kindNamed(kind)!.one);
  for (const style of project.shared) give(style.id, style.name);
  for (const { named } of namings) for (const { id, name } of named) give(id, name);
  // Around a part stands something only where it is looked at by itself: no name in an export is another for it.
  for (const { elements, root } of project.parts) {
    const around = elements[root];
    if (around && declares(around)) give(root, around.name);
  }
  memo.set(project, names);
  latest.set(project.shared, { namings, parts: project.parts, names });
  return names;
}

/** Says that two versions of a project have the same names in all places, which spares finding them again. */
export function sameClassNames(before: Project, after: Project): void {
  memo.set(after, classNames(before));
}

/** The classes that an element carries in the HTML, in the order of their strength. */
export function classesOf(project: Project, element: PageElement): string[] {
  const names = classNames(project);
  const classes = keptClasses(element.attributes);
  if (element.kind) classes.push(names.get(element.kind)!);
  if (element.shared.length > 0)
    for (const style of project.shared) if (element.shared.includes(style.id)) classes.push(names.get(style.id)!);
  for (const owner of [...partOwnersOf(element), element.id]) {
    const own = names.get(owner);
    if (own) classes.push(own);
  }
  return classes;
}
