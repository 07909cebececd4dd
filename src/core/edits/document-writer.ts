import type { Child } from '../document/content';
import { childIds } from '../document/content';
import type { ContentPlace } from '../document/content-place';
import { withChild, withoutChild } from '../document/content-place';
import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import { pageOf, parentsOf, rememberParents, subtreeOf } from '../document/tree';
import { EditError } from './edit-error';

/**
 * Changes elements of a project, however many, with one copy of each page that they touch. Until it's finished its pages
 * are working copies: what is read from them shows what has been written so far.
 */
export class DocumentWriter {
  readonly #own = new Map<
    string,
    { readonly page: Page; readonly elements: Record<string, PageElement>; readonly parents: Map<string, string> }
  >();

  constructor(readonly project: Project) {}

  /** The page as it is by now. */
  page(id: string): Page | undefined {
    return this.#own.get(id)?.page ?? pageOf(this.project, id);
  }

  /** @throws EditError when no page holds the element any more */
  require(id: string): { readonly page: Page; readonly element: PageElement } {
    const page = this.holding(id);
    if (!page) throw new EditError('The element this edit is about has been removed.');
    return { page, element: page.elements[id]! };
  }

  holding(elementId: string): Page | undefined {
    for (const { id } of this.project.pages) {
      const page = this.page(id)!;
      if (elementId in page.elements) return page;
    }
    return undefined;
  }

  /** Another version of an element that is there. */
  put(pageId: string, element: PageElement): void {
    const { elements, parents } = this.#working(pageId);
    const before = elements[element.id]!;
    elements[element.id] = element;
    if (before.children === element.children) return;
    for (const child of childIds(before)) if (parents.get(child) === element.id) parents.delete(child);
    for (const child of childIds(element)) parents.set(child, element.id);
  }

  /** A subtree put in; `added[0]` is its top. */
  insert(pageId: string, parentId: string, { index, offset }: ContentPlace, added: readonly PageElement[]): void {
    const { elements, parents } = this.#working(pageId);
    for (const element of added) {
      elements[element.id] = element;
      for (const child of childIds(element)) parents.set(child, element.id);
    }
    const parent = elements[parentId]!;
    this.put(pageId, { ...parent, children: withChild(parent.children, index, added[0]!.id, offset) });
  }

  /** An element and all below it taken out. */
  remove(pageId: string, id: string): void {
    const { page, elements, parents } = this.#working(pageId);
    const parent = elements[parents.get(id)!]!;
    const gone = subtreeOf(page, id);
    this.put(pageId, { ...parent, children: withoutChild(parent.children, id) });
    for (const element of gone) {
      delete elements[element.id];
      parents.delete(element.id);
    }
  }

  /** The inside of an element replaced by another, of which `inside` is everything below. */
  replaceInside(pageId: string, id: string, children: readonly Child[], inside: readonly PageElement[]): void {
    const { page, elements, parents } = this.#working(pageId);
    for (const { id: gone } of subtreeOf(page, id).slice(1)) {
      delete elements[gone];
      parents.delete(gone);
    }
    for (const element of inside) elements[element.id] = element;
    elements[id] = { ...elements[id]!, children };
    for (const holder of [elements[id], ...inside]) for (const child of childIds(holder)) parents.set(child, holder.id);
  }

  finish(): Project {
    if (this.#own.size === 0) return this.project;
    return { ...this.project, pages: this.project.pages.map((page) => this.#own.get(page.id)?.page ?? page) };
  }

  #working(pageId: string) {
    let own = this.#own.get(pageId);
    if (!own) {
      const page = pageOf(this.project, pageId)!;
      const elements = { ...page.elements };
      const parents = new Map(parentsOf(page));
      rememberParents(elements, parents);
      this.#own.set(pageId, (own = { page: { ...page, elements }, elements, parents }));
    }
    return own;
  }
}
