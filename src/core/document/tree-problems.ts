import { BASE } from '../breakpoints/breakpoint';
import type { PageElement } from './element';
import { isInert, picturesShown, QUIRKS } from './html';
import { picturesNamed } from './shown-pictures';
import { LIMITS } from './limits';
import { partsIn, shownCount, topOf } from './parts';
import type { Page, Project } from './project';
import type { Styled } from './style-sets';
import { styleSetsOf } from './style-sets';
import { filedTreesProblem } from './trees';
import type { Use } from './use';

/** A sentence, and where in the document. */
export interface Problem {
  readonly message: string;
  readonly path: readonly PropertyKey[];
}

export const at = (message: string, ...path: PropertyKey[]): Problem => ({ message, path });

/** The ids that elements may name. */
export interface Names {
  readonly breakpoints: ReadonlySet<string>;
  readonly shared: ReadonlySet<string>;
  readonly pictures: ReadonlySet<string>;
  /** The tag of each part's top. */
  readonly parts: ReadonlyMap<string, string | undefined>;
}

const ids = (list: readonly { readonly id: string }[]) => new Set(list.map(({ id }) => id));

export const namesIn = ({ breakpoints, shared, pictures, parts }: Project): Names => ({
  breakpoints: ids(breakpoints).add(BASE),
  shared: ids(shared),
  pictures: ids(pictures),
  parts: new Map(parts.map((part) => [part.id, topOf(part)?.tag])),
});

export const isLost = (styled: Styled, { breakpoints }: Names) =>
  styleSetsOf(styled).some(([, styles]) => Object.keys(styles).some((key) => !breakpoints.has(key)));

/** What an element names that isn't there. */
export function referencesProblem(element: PageElement, names: Names): string | undefined {
  if (isLost(element, names)) return `"${element.name}" has values under a breakpoint that isn't there.`;
  if (element.shared.length > LIMITS.carried) return `An element carries at most ${LIMITS.carried} shared styles.`;
  if (element.shared.some((id) => !names.shared.has(id))) return `"${element.name}" carries a shared style that isn't there.`;
  for (const id of picturesNamed(element))
    if (!names.pictures.has(id)) return `"${element.name}" shows a picture that isn't there.`;
  if (element.list && !names.parts.has(element.list.part)) return `"${element.name}" is a list of a part that isn't there.`;
  return element.use && useProblem(element.name, element.tag, element.use, names);
}

function useProblem(name: string, tag: string, { part, says }: Use, names: Names): string | undefined {
  if (!names.parts.has(part)) return `"${name}" is the use of a part that isn't there.`;
  const top = names.parts.get(part);
  if (top !== tag) return `"${name}" is a <${tag}>, and its part is a <${top ?? '?'}>.`;
  for (const saying of Object.values(says)) {
    if (isLost(saying, names)) return `"${name}" says something under a breakpoint that isn't there.`;
    for (const id of picturesShown(saying.attributes ?? {}).values())
      if (!names.pictures.has(id)) return `"${name}" shows a picture that isn't there.`;
  }
  return undefined;
}

export function structureProblem({ elements, root, brought }: Page): Problem | undefined {
  let count = 0;
  for (const id in elements) {
    count++;
    if (elements[id]!.id !== id) return at(`The element ${id} is filed under another id.`, 'elements', id);
    const { tag } = elements[id]!;
    if (!brought && isInert(tag))
      return at(`<${tag}> isn't an element of a page here; one that was brought in only keeps its place.`, 'elements', id);
  }
  if (count > LIMITS.elements) return at(`A page has at most ${LIMITS.elements} elements.`, 'elements');
  if (elements[root]?.tag !== 'body') return at('A page begins with <body>.', 'root');
  const problem = filedTreesProblem(elements, count, [root], brought?.mode === 'quirks' ? QUIRKS : undefined);
  return problem === undefined ? undefined : at(problem, 'elements');
}

/** What is wrong with a tree as its uses make it; undefined where it uses none. */
export function shownProblem(project: Project, tree: Page, shown: Page): Problem | undefined {
  if (partsIn(tree).size === 0) return undefined;
  const count = shownCount(project, tree);
  if (count > LIMITS.elements)
    return at(`With all that its parts show it would have ${count} elements; at most ${LIMITS.elements} can be.`, 'elements');
  if (shown === tree) return undefined;
  const problem = filedTreesProblem(shown.elements, Object.keys(shown.elements).length, [tree.root]);
  return problem === undefined ? undefined : at(problem, 'elements');
}
