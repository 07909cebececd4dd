import type { IntervalSet } from '../breakpoints/interval';
import type { Page, Project } from '../document/project';
import type { PageElement } from '../document/element';
import { pageHolding } from '../document/tree';
import type { z } from 'zod';
import type { Edit } from './registry';

/** Why an edit can't be made, in a sentence for people. */
export class EditError extends Error {
  override readonly name = 'EditError';
}

/** What an edit can change on one page. */
export interface PageFootprint {
  readonly elements: readonly string[];
  readonly properties: readonly string[];
  /** Viewport widths at which anything on the page may differ. */
  readonly widths: IntervalSet;
  /** Whether the HTML changed too, not only the CSS. */
  readonly html: boolean;
}

/** Page id to what changed on it; pages that can't have changed aren't named. */
export type Footprint = Readonly<Record<string, PageFootprint>>;

/** One kind of edit: its schema, how it is applied and undone, what it reaches, and its name in words. */
export interface EditKind<E> {
  readonly schema: z.ZodType<E>;
  /** @throws EditError when the edit doesn't fit the document; nothing is changed then. */
  readonly apply: (project: Project, edit: E) => { readonly document: Project; readonly inverse: Edit };
  readonly footprint: (before: Project, after: Project, edit: E) => Footprint;
  readonly describe: (project: Project, edit: E) => string;
}

export interface Applied {
  readonly document: Project;
  readonly inverse: Edit;
  readonly footprint: Footprint;
}

export function requireElement(project: Project, id: string): { page: Page; element: PageElement } {
  const page = pageHolding(project, id);
  if (!page) throw new EditError('The element this edit is about has been removed.');
  return { page, element: page.elements[id]! };
}

export function requirePage(project: Project, id: string): Page {
  const page = project.pages.find((one) => one.id === id);
  if (!page) throw new EditError('The page this edit is about has been removed.');
  return page;
}

export function nameOf(project: Project, elementId: string): string {
  return pageHolding(project, elementId)?.elements[elementId]?.name ?? 'a removed element';
}
