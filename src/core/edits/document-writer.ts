import type { Child } from '../document/content';
import { childIds } from '../document/content';
import type { ContentPlace } from '../document/content-place';
import { withChild, withoutChild } from '../document/content-place';
import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import { pageOf, parentsOf, rememberParents, subtreeOf, treesOf, withTrees } from '../document/tree';
import { holdSame, noteChanged } from '../document/versions';
import { isInUse } from '../document/use';
import { EditError } from './edit-error';

const IN_PART = 'What a use of a part shows can only be changed like this in the part itself; or take the use apart first.';

/** The copy of a page that is written to. */
interface Working {
  readonly page: Page;
  readonly elements: Record<string, PageElement>;
  readonly written: Set<string>;
  /** Those of the page that was copied, until somebody moves. */
  parents: ReadonlyMap<string, string>;
  own: Map<string, string> | undefined;
}

/** The parents of a copy, to be changed. */
function parentsToChange(working: Working): Map<string, string> {
  if (!working.own) {
    working.parents = working.own = new Map(working.parents);
    rememberParents(working.elements, working.own);
  }
  return working.own;
}

/**
 * Changes elements of a project, however many, with one copy of each page that they touch. Until it's finished its pages
 * are working copies: what is read from them shows what has been written so far.
 */
export class DocumentWriter {
  readonly #own = new Map<string, Working>();
  #project: Project;

  constructor(project: Project) {
    this.#project = project;
  }

  /** As it was to begin with, or was last settled. */
  get project(): Project {
    return this.#project;
  }

  /** The project as it is by now, for whoever remembers what is found in it: it is written to no more. */
  settled(): Project {
    this.#project = this.finish();
    this.#own.clear();
    return this.#project;
  }

  /** The page, or the part, as it is by now. */
  page(id: string): Page | undefined {
    return this.#own.get(id)?.page ?? pageOf(this.project, id);
  }

  /** @throws EditError when no page holds the element any more */
  require(id: string): { readonly page: Page; readonly element: PageElement } {
    const page = this.holding(id);
    if (!page) throw new EditError(isInUse(id) ? IN_PART : 'The element this edit is about has been removed.');
    return { page, element: page.elements[id]! };
  }

  holding(elementId: string): Page | undefined {
    for (const { id } of treesOf(this.project)) {
      const page = this.page(id)!;
      if (elementId in page.elements) return page;
    }
    return undefined;
  }

  /** Another version of an element that is there. */
  put(pageId: string, element: PageElement): void {
    const working = this.#working(pageId);
    const before = working.elements[element.id]!;
    working.elements[element.id] = element;
    working.written.add(element.id);
    if (holdSame(before, element)) return;
    const parents = parentsToChange(working);
    for (const child of childIds(before)) if (parents.get(child) === element.id) parents.delete(child);
    for (const child of childIds(element)) parents.set(child, element.id);
  }

  /** A subtree put in; `added[0]` is its top. */
  insert(pageId: string, parentId: string, { index, offset }: ContentPlace, added: readonly PageElement[]): void {
    const working = this.#working(pageId);
    this.#add(working, added);
    const parent = working.elements[parentId]!;
    this.put(pageId, { ...parent, children: withChild(parent.children, index, added[0]!.id, offset) });
  }

  /** An element and all below it taken out. */
  remove(pageId: string, id: string): void {
    const working = this.#working(pageId);
    const parent = working.elements[working.parents.get(id)!]!;
    const gone = subtreeOf(working.page, id);
    this.put(pageId, { ...parent, children: withoutChild(parent.children, id) });
    this.#drop(working, gone);
  }

  /** The inside of an element replaced by another, of which `inside` is everything below. */
  replaceInside(pageId: string, id: string, children: readonly Child[], inside: readonly PageElement[]): void {
    const working = this.#working(pageId);
    this.#drop(working, subtreeOf(working.page, id).slice(1));
    this.#add(working, [{ ...working.elements[id]!, children }, ...inside]);
  }

  finish(): Project {
    if (this.#own.size === 0) return this.project;
    return withTrees(this.project, (page) => {
      const own = this.#own.get(page.id);
      if (own) noteChanged(page.elements, own.elements, [...own.written]);
      return own?.page ?? page;
    });
  }

  #add(working: Working, added: readonly PageElement[]): void {
    const parents = parentsToChange(working);
    for (const element of added) {
      working.elements[element.id] = element;
      working.written.add(element.id);
      for (const child of childIds(element)) parents.set(child, element.id);
    }
  }

  #drop(working: Working, gone: readonly PageElement[]): void {
    const parents = parentsToChange(working);
    for (const { id } of gone) {
      delete working.elements[id];
      working.written.add(id);
      parents.delete(id);
    }
  }

  #working(pageId: string): Working {
    let own = this.#own.get(pageId);
    if (!own) {
      const page = pageOf(this.project, pageId)!;
      const elements: Record<string, PageElement> = {};
      for (const id in page.elements) elements[id] = page.elements[id]!;
      const parents = parentsOf(page);
      rememberParents(elements, parents);
      own = { page: { ...page, elements }, elements, written: new Set(), parents, own: undefined };
      this.#own.set(pageId, own);
    }
    return own;
  }
}
