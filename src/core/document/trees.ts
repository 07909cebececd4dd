import { childIds, isRun } from './content';
import type { PageElement } from './element';
import type { Surroundings } from './html';
import { surroundings, whyNotConforming, whyNotKept } from './html';
import { LIMITS } from './limits';

/** A tag and what stands below it: all of an element that decides where it may stand. */
export interface Shape {
  readonly tag: string;
  readonly name?: string | undefined;
  readonly children?: readonly Shape[] | undefined;
}

/** The shape of elements, by the id of their top. */
export function shapeOf(elements: Readonly<Record<string, PageElement>>, id: string): Shape {
  const element = elements[id]!;
  return { tag: element.tag, name: element.name, children: childIds(element).map((child) => shapeOf(elements, child)) };
}

/** Why one element can't be kept at a place, whatever stands in it (HTML, parsing; `LIMITS.depth`). */
function whyNotItself({ tag, name }: Shape, around: Surroundings | undefined): string | undefined {
  const why = around && whyNotKept(tag, around);
  if (why) return name === undefined ? why : `"${name}": ${why}`;
  return around && around.depth > LIMITS.depth ? `Elements are nested deeper than ${LIMITS.depth}.` : undefined;
}

/**
 * Why a tree can't be kept at a place, for its top and everything below it; undefined when it can. Without `around` it
 * stands in nothing.
 */
export function whyNotThere(shape: Shape, around?: Surroundings): string | undefined {
  const why = whyNotItself(shape, around);
  if (why || !shape.children?.length) return why;
  const inside = surroundings(shape.tag, around);
  for (const child of shape.children) {
    const problem = whyNotThere(child, inside);
    if (problem) return problem;
  }
  return undefined;
}

/**
 * Why HTML doesn't allow a tree at a place (HTML, content models); undefined where it does.
 * @param itself whether what the tree breaks in itself counts too, not only what it breaks by standing there
 */
export function whyNotConformingThere(shape: Shape, around: Surroundings, itself: boolean): string | undefined {
  const look = (
    { tag, name, children = [] }: Shape,
    outer: Surroundings,
    alone: Surroundings | undefined,
  ): string | undefined => {
    const why = whyNotConforming(tag, outer);
    const stays = why && !itself && alone && whyNotConforming(tag, alone);
    if (why && !stays) return name === undefined ? why : `"${name}": ${why}`;
    const [inside, without] = [surroundings(tag, outer), surroundings(tag, alone)];
    for (const child of children) {
      const problem = look(child, inside, without);
      if (problem) return problem;
    }
    return undefined;
  };
  return look(shape, around, undefined);
}

/** Why elements don't form whole trees with just these tops, or break a content model: a sentence. */
export function treesProblem(elements: readonly PageElement[], tops: readonly string[]): string | undefined {
  const byId = Object.fromEntries(elements.map((element) => [element.id, element]));
  if (Object.keys(byId).length !== elements.length) return 'Two elements have the same id.';
  return filedTreesProblem(byId, elements.length, tops);
}

/**
 * The same of so many elements that are filed under their ids. A page of thousands is walked just once.
 * @param outer where the tops stand, where that isn't nowhere
 */
export function filedTreesProblem(
  byId: Readonly<Record<string, PageElement>>,
  count: number,
  tops: readonly string[],
  outer?: Surroundings,
): string | undefined {
  const seen = new Set<string>();
  const visit = (id: string, around: Surroundings | undefined): string | undefined => {
    const element = byId[id];
    if (!element) return `An element is named that isn't there (${id}).`;
    if (seen.has(id)) return `"${element.name}" stands in two places.`;
    seen.add(id);
    const why = whyNotItself({ tag: element.tag, name: element.name }, around);
    if (why) return why;
    let inside: Surroundings | undefined;
    for (const child of element.children) {
      if (isRun(child)) continue;
      inside ??= surroundings(element.tag, around ?? outer);
      const problem = visit(child, inside);
      if (problem) return problem;
    }
    return undefined;
  };
  for (const id of tops) {
    const problem = visit(id, undefined);
    if (problem) return problem;
  }
  return seen.size === count ? undefined : 'Some elements stand nowhere.';
}
