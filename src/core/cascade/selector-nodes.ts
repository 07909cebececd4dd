import { classesOf, classNames } from '../document/class-names';
import { childIds } from '../document/content';
import type { PageElement } from '../document/element';
import { htmlAttributes } from '../document/page-fields';
import type { Page, Project } from '../document/project';
import { changedInState } from '../document/state-pages';
import type { SelectorNode } from '../read';

type Growing = SelectorNode & { parent: SelectorNode | null; readonly children: SelectorNode[] };

/** The elements of a page as selectors see them, by id; `html` is around them. */
export interface SelectorNodes {
  readonly get: (id: string) => SelectorNode | undefined;
}

interface Remembered {
  readonly html: string;
  readonly nodes: SelectorNodes;
}
const memo = new WeakMap<ReadonlyMap<string, string>, WeakMap<Page['elements'], Remembered>>();

/** The page as selectors see it: with the classes that the HTML carries, and `<html>` around it. */
export function nodesOf(project: Project, page: Page): SelectorNodes {
  const names = classNames(project);
  const html = JSON.stringify(htmlAttributes(project, page));
  let pages = memo.get(names);
  if (!pages) memo.set(names, (pages = new WeakMap<Page['elements'], Remembered>()));
  let known = pages.get(page.elements);
  if (known?.html !== html) {
    const state = changedInState(page);
    const only = state?.changed.length === 1 ? state.changed[0] : undefined;
    known = { html, nodes: state && only ? otherwise(nodesOf(project, state.page), only) : grown(project, page) };
    pages.set(page.elements, known);
  }
  return known.nodes;
}

/** @param classesHere the classes that an element is to be seen with */
export function grown(
  project: Project,
  page: Page,
  classesHere: (element: PageElement) => readonly string[] = (element) => classesOf(project, element),
): SelectorNodes {
  const nodes = new Map<string, SelectorNode>();
  const grow = (id: string, parent: SelectorNode): SelectorNode => {
    const element = page.elements[id]!;
    const classes = classesHere(element);
    const { class: _, ...written } = element.attributes;
    const hasClass = classes.length > 0 || element.attributes.class !== undefined;
    const attributes = { ...written, ...(hasClass && { class: classes.join(' ') }) };
    const node: Growing = { id, tag: element.tag, attributes, parent, children: [] };
    for (const child of childIds(element)) node.children.push(grow(child, node));
    nodes.set(id, node);
    return node;
  };
  const html: Growing = { tag: 'html', attributes: htmlAttributes(project, page), parent: null, children: [] };
  html.children.push({ tag: 'head', attributes: {}, parent: html, children: [] }, grow(page.root, html));
  nodes.set('html', html);
  return nodes;
}

/** The same with one element otherwise: it, what stands in it, and what it stands in are made anew, all else is shared. */
export function otherwise(nodes: SelectorNodes, element: PageElement): SelectorNodes {
  const before = nodes.get(element.id)!;
  const own = new Map<string, SelectorNode>();
  const grow = (node: SelectorNode, said: Partial<SelectorNode>): Growing => {
    const made: Growing = { ...node, ...said, children: [] };
    own.set(node.id ?? 'html', made);
    return made;
  };
  const below = (node: SelectorNode, parent: SelectorNode): SelectorNode => {
    const made = grow(node, { parent });
    for (const child of node.children) made.children.push(below(child, made));
    return made;
  };
  const { class: classes } = before.attributes;
  const attributes = { ...element.attributes, ...(classes !== undefined && { class: classes }) };
  let made = grow(before, { attributes });
  if (childIds(element).length > 0) for (const child of before.children) made.children.push(below(child, made));
  for (let was = before; was.parent; was = was.parent) {
    const above = grow(was.parent, {});
    for (const child of was.parent.children) above.children.push(child === was ? made : child);
    made.parent = above;
    made = above;
  }
  return { get: (id) => own.get(id) ?? nodes.get(id) };
}
