import type { At, Slice } from '../breakpoints';
import type { StyleSet } from '../document/element';
import type { Project } from '../document/project';
import type { Edit } from '../edits/edit';
import { applyEdit } from '../edits/apply-edit';
import type { Restyle } from '../edits/restyle';
import type { ValueChange } from '../edits/value-writer';
import { describeEffect } from './effect';

/** An edit thought out but not made: what it would do, in words, before it does. */
export interface Plan {
  readonly edit: Edit;
  /** One sentence: what will happen. */
  readonly sentence: string;
  /** What goes along with it, one fact a line. */
  readonly details: readonly string[];
}

/** Why something can't be planned, in a sentence for people. */
export class PlanError extends Error {
  override readonly name = 'PlanError';
}

/** A plan that changes values, with what it does to the elements in each band. */
export function planValues(
  project: Project,
  slice: Slice,
  elements: readonly string[],
  edit: Edit & { readonly type: 'restyle' | 'group' },
  sentence: string,
): Plan {
  const changes = changesIn(edit);
  if (changes.length === 0) throw new PlanError('There is nothing to change: all of it is as it would be.');
  const { document } = applyEdit(project, edit);
  const properties = [...new Set(changes.map(({ property }) => property))];
  const places = [...new Set(changes.map(({ at }) => at))];
  return { edit, sentence, details: describeEffect(project, document, elements, properties, slice, places) };
}

function changesIn(edit: Edit): ValueChange[] {
  if (edit.type === 'group') return edit.edits.flatMap(changesIn);
  return edit.type === 'restyle' ? [...edit.changes] : [];
}

export function restyleEdit(label: string, changes: readonly ValueChange[]): Restyle {
  return { type: 'restyle', label: label.slice(0, 300), changes: [...changes] };
}

/** Values written on an owner at one place. */
export function changesAt(owner: string, at: At, values: Readonly<Record<string, string>>): ValueChange[] {
  return Object.entries(values).map(([property, value]) => ({ owner, at, property, value }));
}

/** The changes that turn what an owner says of a property at every place into something else. */
export function changesTo(
  owner: string,
  styles: StyleSet,
  property: string,
  wanted: Readonly<Record<string, string>>,
): ValueChange[] {
  const places = new Set([...Object.keys(styles), ...Object.keys(wanted)]);
  return [...places].flatMap((at): ValueChange[] =>
    styles[at]?.[property] === wanted[at] ? [] : [{ owner, at, property, value: wanted[at] ?? null }],
  );
}
