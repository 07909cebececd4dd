import { childIds } from './content';
import { tagsAround } from './new-part';
import { rowCount } from './row-count';
import type { PageElement } from './element';
import type { Page, Project } from './project';
import { treesOf } from './tree';
import { carried } from './versions';

/** A part is a tree like a page's: a body, which is there to show it, and in it the part's top, perhaps in the table that it needs. */
export const topOf = ({ elements, root, top }: Page): PageElement | undefined => {
  const [first] = elements[root] ? childIds(elements[root]) : [];
  const id = top ?? first;
  return id === undefined ? undefined : elements[id];
};

const partOf = (element: PageElement | undefined) => element?.use?.part;

/** The elements that are uses of parts, as they are kept: by id, those that parts show among them not counted. */
export const usesIn: (elements: Page['elements']) => readonly string[] = carried(
  (elements) => Object.keys(elements).filter((id) => elements[id]!.use && !id.includes('.')),
  (before, after) => partOf(before) !== partOf(after),
);

/** The lists in a tree, as they are kept. */
export const listsIn: (elements: Page['elements']) => readonly string[] = carried(
  (elements) => Object.keys(elements).filter((id) => elements[id]!.list && !id.includes('.')),
  (before, after) => before?.list?.part !== after?.list?.part,
);

/** The ids of the parts that stand in a tree by themselves, as uses and as the items of lists, not through others. */
export function partsIn({ elements }: Page): ReadonlySet<string> {
  return new Set([
    ...usesIn(elements).map((id) => elements[id]!.use!.part),
    ...listsIn(elements).map((id) => elements[id]!.list!.part),
  ]);
}

export const partNamed = ({ parts }: Pick<Project, 'parts'>, id: string): Page | undefined =>
  parts.find((part) => part.id === id);

/** Whether a part is another, or has it in it, through however many. */
export function holdsPart(project: Pick<Project, 'parts'>, id: string, sought: string, above: readonly string[] = []): boolean {
  if (id === sought) return true;
  const part = above.includes(id) ? undefined : partNamed(project, id);
  return part !== undefined && [...partsIn(part)].some((inner) => holdsPart(project, inner, sought, [...above, id]));
}

/** Parts so that each comes after those that stand in it: in the order of their strength. */
export function partsInOrder(project: Pick<Project, 'parts'>): readonly Page[] {
  const known = orders.get(project.parts);
  if (known) return known;
  const order = new Set<Page>();
  const visit = (part: Page | undefined, above: readonly Page[]) => {
    if (!part || order.has(part) || above.includes(part)) return;
    for (const inner of partsIn(part)) visit(partNamed(project, inner), [...above, part]);
    order.add(part);
  };
  for (const part of project.parts) visit(part, []);
  const list = [...order];
  orders.set(project.parts, list);
  return list;
}
const orders = new WeakMap<Project['parts'], readonly Page[]>();

/** How many elements a tree shows, those of all uses in it included; more than can be counted where parts hold each other. */
export function shownCount(project: Pick<Project, 'parts' | 'tables'>, tree: Page): number {
  const sizes = new Map<string, number>();
  const sizeOf = (one: Page, above: readonly string[]): number => {
    let count = Object.keys(one.elements).length;
    const shown = [
      // The use itself shows the top, which a row of a list doesn't.
      ...usesIn(one.elements).map((id) => ({ inner: one.elements[id]!.use!.part, times: 1, more: 0 })),
      ...listsIn(one.elements).map((id) => {
        const list = one.elements[id]!.list!;
        return { inner: list.part, times: rowCount(project, list), more: 1 };
      }),
    ];
    for (const { inner, times, more } of shown) {
      const part = partNamed(project, inner);
      if (!part) continue;
      if (above.includes(inner)) return Infinity;
      let size = sizes.get(inner);
      // Nothing shows the body, and what else is around the top.
      if (size === undefined)
        sizes.set(inner, (size = sizeOf(part, [...above, inner]) - 2 - tagsAround(topOf(part)?.tag ?? '').length));
      count += (size + more) * times;
    }
    return count;
  };
  return sizeOf(tree, [tree.id]);
}

/** How deep parts stand in each other below a tree: 0 where it uses none. */
export function nesting(project: Pick<Project, 'parts'>, tree: Page, above: readonly string[] = []): number {
  let deepest = 0;
  for (const inner of partsIn(tree)) {
    const part = above.includes(inner) ? undefined : partNamed(project, inner);
    deepest = Math.max(deepest, 1 + (part ? nesting(project, part, [...above, inner]) : 0));
  }
  return deepest;
}

/**
 * Under which ids a tree shows an element that values are written on: itself, and where uses of its part show it.
 * @param project with all that uses show; each tree asks its parts, so that thousands of shown elements aren't gone through
 */
export function shownAs(project: Pick<Project, 'parts'>, tree: Page, owner: string): readonly string[] {
  const { elements } = tree;
  const inParts = new Map<string, readonly string[]>();
  const within = (id: string): readonly string[] => {
    let found = inParts.get(id);
    if (!found) {
      const part = id === tree.id ? undefined : partNamed(project, id);
      const top = part && topOf(part)?.id;
      // The part's top is what the use itself shows.
      found = part
        ? shownAs(project, part, owner).flatMap((one) => (one === part.root ? [] : [one === top ? '' : `.${one}`]))
        : [];
      inParts.set(id, found);
    }
    return found;
  };
  const rows = listsIn(elements).flatMap((id) => childIds(elements[id]!).filter((child) => child.startsWith(`${id}.`)));
  const through = [...usesIn(elements), ...rows].flatMap((id) => {
    const ends = within(elements[id]!.use!.part);
    return ends.length === 0 ? [] : ends.map((end) => id + end).filter((one) => one in elements);
  });
  return owner in elements ? [owner, ...through] : through;
}

/** The elements of parts whose values an element shows, weakest first; none where no use shows it. */
export const partOwnersOf = ({ layers = [] }: PageElement): readonly string[] => layers.map(({ owner }) => owner);

export interface PartUse {
  /** The page it stands on, or the part. */
  readonly tree: Page;
  readonly id: string;
}

/** Where a part is used by itself, on pages and in parts. */
export const usesOf = (project: Project, part: string): PartUse[] =>
  treesOf(project).flatMap((tree) =>
    usesIn(tree.elements).flatMap((id) => (tree.elements[id]!.use!.part === part ? [{ tree, id }] : [])),
  );

/** The lists of which a part is the item. */
export const listsOf = (project: Project, part: string): PartUse[] =>
  treesOf(project).flatMap((tree) =>
    listsIn(tree.elements).flatMap((id) => (tree.elements[id]!.list!.part === part ? [{ tree, id }] : [])),
  );

/** The pages on which a part shows, by itself or through others. */
export const pagesWith = (project: Project, part: string): readonly Page[] =>
  project.pages.filter((page) => [...partsIn(page)].some((id) => holdsPart(project, id, part)));
