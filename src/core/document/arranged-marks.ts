import type { Arranged } from './arranged';
import type { PageElement } from './element';
import type { Page, Project } from './project';
import { parentOf } from './tree';

/** What arrangements make of elements, by id: for those who look at pages. */
export interface ArrangedMarks {
  /** Applied to it. */
  readonly arranged: ReadonlySet<string>;
  /** Put in by one. */
  readonly added: ReadonlySet<string>;
  /** A pane, and the page on which it can be reached where it isn't shown. */
  readonly panes: ReadonlyMap<string, string>;
}

interface RawEdit {
  readonly type?: unknown;
  readonly node?: unknown;
  readonly edits?: unknown;
}

/** The elements that an edit takes away, groups opened: those that its opposite put in. */
function removedBy(edit: unknown): readonly string[] {
  const { type, node, edits } = (edit ?? {}) as RawEdit;
  if (Array.isArray(edits)) return edits.flatMap(removedBy);
  return type === 'removeElement' && typeof node === 'string' ? [node] : [];
}

function addedBy({ back }: Arranged): readonly string[] {
  try {
    return removedBy(JSON.parse(back));
  } catch {
    return [];
  }
}

const known = new WeakMap<Project['arranged'], ArrangedMarks>();

export function arrangedMarks({ arranged }: Pick<Project, 'arranged'>): ArrangedMarks {
  let marks = known.get(arranged);
  if (!marks) {
    marks = {
      arranged: new Set(arranged.map(({ node }) => node)),
      added: new Set(arranged.flatMap(addedBy)),
      panes: new Map(arranged.flatMap(({ joins }) => Object.entries(joins?.panes ?? {}))),
    };
    known.set(arranged, marks);
  }
  return marks;
}

/** Whether one of the ids under which an element is kept is among others: its own, and in parts those of what it shows. */
export const isAmong = (ids: ReadonlySet<string>, { id, layers = [] }: PageElement): boolean =>
  ids.has(id) || layers.some(({ owner }) => ids.has(owner));

/** Whether an element stands in a list before its rows: what they are headed by. */
export function headsRows(page: Page, { id }: PageElement): boolean {
  const parent = parentOf(page, id);
  return parent?.list !== undefined && !id.startsWith(`${parent.id}.e0row`);
}
