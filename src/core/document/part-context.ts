import type { PageElement } from './element';
import { holdsPart, partsIn } from './parts';
import type { Page, Project } from './project';

const standing = new WeakMap<Page, { readonly root: PageElement; readonly tree: Page }>();
const standingLists = new WeakMap<readonly Page[], readonly Page[]>();

/**
 * Parts as they are shown by themselves: what is around one looks like the body of the first page that it is used on, so
 * that it inherits what it will inherit.
 */
export function inContext(project: Project, parts: readonly Page[]): readonly Page[] {
  const made = parts.map((part): Page => {
    const page = project.pages.find((one) => [...partsIn(one)].some((id) => holdsPart(project, id, part.id)));
    const root = page?.elements[page.root];
    const around = part.elements[part.root];
    if (!root || !around) return part;
    const known = standing.get(part);
    if (known?.root === root) return known.tree;
    const { shared, styles, pseudo } = root;
    const shown: PageElement = { ...around, shared, styles, ...(pseudo && { pseudo }), kept: around };
    const tree = { ...part, elements: { ...part.elements, [around.id]: shown } };
    standing.set(part, { root, tree });
    return tree;
  });
  const before = standingLists.get(parts);
  const list = before?.every((part, i) => part === made[i]) ? before : made;
  standingLists.set(parts, list);
  return list;
}
