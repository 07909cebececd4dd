import { expanded, kept } from '../document/expand';
import type { Project } from '../document/project';
import type { Edit, Footprint, GroupEdit, SingleEdit } from './edit';
import { EditError } from './edit';
import { DocumentWriter } from './document-writer';
import { classesFootprint, mergeFootprints, stylesFootprint, withUses } from './footprint';
import { kindOf } from './registry';
import { ValueWriter } from './value-writer';
import { valuesEdit } from './writes-values';

/** Edits one group holds at most, counted through groups inside it. */
export const GROUP_MOST = 2_000;

export interface Applied {
  readonly document: Project;
  /** The edit that leads back. */
  readonly inverse: Edit;
  /** The edit with its places told by neighbours too, as it is to be kept. */
  readonly edit: Edit;
  /** What it reaches; worked out when it is asked for. */
  readonly footprint: Footprint;
}

/** One edit, or a run of edits that only write values, made in one go. */
interface Step {
  readonly document: Project;
  readonly inverse: Edit;
  readonly edits: readonly SingleEdit[];
  readonly footprint: () => Footprint;
}

/**
 * The one place that knows what an edit means: the document after it, the way back, and what it reaches. Edits are made on
 * the document as it is kept, and what they reach is asked of it as it is shown: with what uses of parts stand for.
 * @throws EditError in words for people when it can't be made; nothing has changed then.
 */
export function applyEdit(project: Project, edit: Edit): Applied {
  const from = kept(project);
  const steps = edit.type === 'group' ? groupSteps(from, edit) : [singleStep(from, edit)];
  const to = steps[steps.length - 1]?.document ?? from;
  const document = to === from ? project : expanded(to);
  let footprint: Footprint | undefined;
  return {
    document,
    inverse:
      edit.type === 'group'
        ? { type: 'group', label: edit.label, edits: steps.map(({ inverse }) => inverse).reverse() }
        : steps[0]!.inverse,
    edit: edit.type === 'group' ? { ...edit, edits: steps.flatMap(({ edits }) => edits) } : steps[0]!.edits[0]!,
    get footprint() {
      footprint ??= withUses(
        project,
        document,
        mergeFootprints(...steps.map((step) => step.footprint()), classesFootprint(project, document)),
      );
      return footprint;
    },
  };
}

function singleStep(project: Project, edit: SingleEdit): Step {
  const kind = kindOf(edit);
  const made = kind.anchor?.(new DocumentWriter(project), edit) ?? edit;
  const { document, inverse } = kind.apply(project, made);
  return { document, inverse, edits: [made], footprint: () => kind.footprint(expanded(project), expanded(document), made) };
}

function groupSteps(project: Project, group: GroupEdit): Step[] {
  const edits = flattened(group);
  if (edits.length > GROUP_MOST)
    throw new EditError(`That is ${edits.length} changes at once; at most ${GROUP_MOST} can be made.`);
  const steps: Step[] = [];
  let document = project;
  for (let at = 0; at < edits.length;) {
    const { write, change } = kindOf(edits[at]!);
    const run = write ? runFrom(edits, at, 'write') : change ? runFrom(edits, at, 'change') : [edits[at]!];
    const step =
      run.length === 1
        ? singleStep(document, run[0]!)
        : write
          ? valueStep(document, group.label, run)
          : elementStep(document, group.label, run);
    steps.push(step);
    document = step.document;
    at += run.length;
  }
  return steps;
}

/** Edits that follow each other and can be made in one go in the same way. */
function runFrom(edits: readonly SingleEdit[], from: number, how: 'write' | 'change'): readonly SingleEdit[] {
  let end = from;
  while (end < edits.length && kindOf(edits[end]!)[how]) end++;
  return edits.slice(from, end);
}

/** The edits of a group in order, groups in it opened. */
export function flattened({ edits }: GroupEdit): SingleEdit[] {
  return edits.flatMap((one) => (one.type === 'group' ? flattened(one) : [one]));
}

function valueStep(project: Project, label: string, edits: readonly SingleEdit[]): Step {
  const writer = new ValueWriter(project);
  for (const edit of edits) kindOf(edit).write!(writer, edit);
  const { document, back } = writer.finish();
  const footprint = () => {
    const changes = new Map<string, Set<string>>();
    for (const { owner, property } of back) changes.set(owner, (changes.get(owner) ?? new Set<string>()).add(property));
    return stylesFootprint(expanded(project), expanded(document), changes);
  };
  return { document, inverse: valuesEdit(label, back), edits, footprint };
}

function elementStep(project: Project, label: string, edits: readonly SingleEdit[]): Step {
  const writer = new DocumentWriter(project);
  const inverses: Edit[] = [];
  const placed = edits.map((edit) => {
    const { anchor, change } = kindOf(edit);
    const one = anchor?.(writer, edit) ?? edit;
    inverses.push(change!(writer, one));
    return one;
  });
  const document = writer.finish();
  const footprint = () => mergeFootprints(...placed.map((edit) => reachOf(expanded(project), expanded(document), edit)));
  return { document, inverse: { type: 'group', label, edits: inverses.reverse() }, edits: placed, footprint };
}

/** What one edit of a run reaches. Of what came and went within the run nothing is left to reach. */
function reachOf(before: Project, after: Project, edit: SingleEdit): Footprint {
  try {
    return kindOf(edit).footprint(before, after, edit);
  } catch (error) {
    if (error instanceof EditError) return {};
    throw error;
  }
}
