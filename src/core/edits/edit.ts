import type { z } from 'zod';
import type { IntervalSet } from '../breakpoints/interval';
import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import { pageHolding } from '../document/tree';
import { EditError } from './edit-error';
import { DocumentWriter } from './document-writer';
import type { ValueWriter } from './value-writer';

export { EditError } from './edit-error';

/** Several edits that are made, undone and named as one. */
export interface GroupEdit {
  readonly type: 'group';
  readonly label: string;
  readonly edits: readonly Edit[];
}

/** Every kind of edit by its name. The file of each adds its own here, so that no file has to know them all. */
export interface EditTypes {
  readonly group: GroupEdit;
}
export type Edit = EditTypes[keyof EditTypes];
export type SingleEdit = Exclude<Edit, GroupEdit>;

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
  /**
   * One edit for both, made on the document before the earlier one, where a gesture goes on; undefined where they must
   * stay two. Without it they always do.
   */
  readonly merge?: ((earlier: E, later: E) => E | undefined) | undefined;
  /** The edit with its place told by a neighbour too, so that it keeps its sense when others' edits come before it. */
  readonly anchor?: ((writer: Pick<DocumentWriter, 'project' | 'page' | 'holding'>, edit: E) => E) | undefined;
  /** Where an edit only writes values: the same as `apply`, so that many are written in one go. */
  readonly write?: ((writer: ValueWriter, edit: E) => void) | undefined;
  /** Where an edit only changes elements: the same as `apply`, so that many are changed in one go. Returns the way back. */
  readonly change?: ((writer: DocumentWriter, edit: E) => Edit) | undefined;
}

/** What an edit that only changes elements says, as a kind of edit. */
export function changesElements<E>(change: (writer: DocumentWriter, edit: E) => Edit): Pick<EditKind<E>, 'apply' | 'change'> {
  return {
    change,
    apply(project, edit) {
      const writer = new DocumentWriter(project);
      const inverse = change(writer, edit);
      return { document: writer.finish(), inverse };
    },
  };
}

/** Lets a later edit take the place of an earlier one that is about the same, by the fields that say what it is about. */
export function laterWins<E extends object>(...about: readonly (keyof E)[]) {
  return (earlier: E, later: E): E | undefined => (about.every((field) => earlier[field] === later[field]) ? later : undefined);
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

/** @param project with all that uses of parts show */
export function nameOf(project: Project, elementId: string): string {
  return pageHolding(project, elementId)?.elements[elementId]?.name ?? 'a removed element';
}
