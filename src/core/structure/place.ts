import { childIds, ownText } from '../document/content';
import type { PageElement } from '../document/element';
import type { Page } from '../document/project';
import { ancestorsOf, parentOf } from '../document/tree';
import type { Shape } from '../document/trees';
import { whyNotMadeIn } from '../document/room';

/** A spot in the tree: among the children of `parent`, before the one that is at `index` now. */
export interface Spot {
  readonly parent: string;
  readonly index: number;
}

/** Where something new can go: into the element if it may, else right after it, else further out. */
export function placeFor(page: Page, from: string, shape: Shape): Spot | undefined {
  let index: number | undefined;
  for (let at: PageElement | undefined = page.elements[from]; at; at = parentOf(page, at.id)) {
    if (mayStand(page, at.id, shape)) return { parent: at.id, index: index ?? childIds(at).length };
    const parent = parentOf(page, at.id);
    index = parent && childIds(parent).indexOf(at.id) + 1;
  }
  return undefined;
}

/** Whether a tree may be put directly into the parent by hand: edits take it, and HTML allows it. */
export const mayStand = (page: Page, parentId: string, shape: Shape): boolean =>
  whyNotMadeIn(page, parentId, shape) === undefined;

/** Those of the elements that don't stand inside another of them; never the body. In the order of the page. */
export function topmost(page: Page, ids: readonly string[]): string[] {
  const chosen = new Set(ids);
  chosen.delete(page.root);
  const tops = ids.filter(
    (id) => id !== page.root && id in page.elements && !ancestorsOf(page, id).some((one) => chosen.has(one.id)),
  );
  if (tops.length < 2) return tops;
  const order = new Map<string, number>();
  const visit = (id: string) => {
    order.set(id, order.size);
    childIds(page.elements[id]!).forEach(visit);
  };
  visit(page.root);
  return tops.sort((a, b) => order.get(a)! - order.get(b)!);
}

/**
 * All that is like an element: of the same tag and kind, with the same shared styles; without any, standing in the same
 * kind of parent with as much of the same inside.
 */
export function alike(page: Page, id: string): string[] {
  const model = page.elements[id];
  if (!model) return [];
  const key = (element: PageElement) => {
    const parent = parentOf(page, element.id);
    const like = [element.tag, element.kind ?? '', ...[...element.shared].sort()];
    if (element.shared.length === 0)
      like.push(
        parent?.tag ?? '',
        ...[...(parent?.shared ?? [])].sort(),
        ...childIds(element).map((child) => page.elements[child]!.tag),
      );
    return like.join(' ');
  };
  const wanted = key(model);
  return Object.values(page.elements)
    .filter((element) => key(element) === wanted)
    .map((element) => element.id);
}

/** Elements whose name or text holds the words, in the order of the page. */
export function found(page: Page, words: string): string[] {
  const wanted = words.trim().toLowerCase();
  if (!wanted) return [];
  const result: string[] = [];
  const visit = (id: string) => {
    const element = page.elements[id]!;
    if (element.name.toLowerCase().includes(wanted) || ownText(element).toLowerCase().includes(wanted)) result.push(id);
    childIds(element).forEach(visit);
  };
  visit(page.root);
  return result;
}
