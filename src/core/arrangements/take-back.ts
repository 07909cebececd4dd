import { flattened } from '../edits/apply-edit';
import type { Arranged } from '../document/arranged';
import type { Project } from '../document/project';
import { pageHolding } from '../document/tree';
import { makeEdit } from '../edits/make-edit';
import type { Edit } from '../edits/edit';
import { EditError } from '../edits/edit';
import { readEdit } from '../edits/read-edit';
import { plural } from '../text';
import type { Plan } from '../plans/plan';
import { PlanError } from '../plans/plan';

/** The arrangements of an element that are still remembered, newest first. */
export const arrangedOn = (project: Project, id: string): readonly Arranged[] =>
  project.arranged.filter(({ node }) => node === id).toReversed();

function wayBack({ name, back }: Arranged): readonly Edit[] {
  try {
    const edit = readEdit(JSON.parse(back));
    return edit.type === 'group' ? flattened(edit) : [edit];
  } catch {
    throw new PlanError(`How to take ${name} back can’t be read any more; only undo leads there.`);
  }
}

/**
 * Takes an arrangement back whole, whatever was done since. Where something it made has gone meanwhile, the rest is taken back, and
 * what stays is said.
 */
export function planTakeBack(project: Project, id: string): Plan {
  const arranged = project.arranged.find((one) => one.id === id);
  if (!arranged) throw new PlanError('This has been taken back already.');
  const edits: Edit[] = [];
  let now = project;
  const stays = new Set<string>();
  for (const edit of wayBack(arranged)) {
    try {
      now = makeEdit(now, edit).document;
      edits.push(edit);
    } catch (error) {
      if (!(error instanceof EditError)) throw error;
      stays.add(error.message);
    }
  }
  const later = project.arranged
    .slice(project.arranged.indexOf(arranged) + 1)
    .filter(({ node }) => sameTree(project, node, arranged.node));
  const label = `Take back ${arranged.name}`.slice(0, 300);
  return {
    edit: { type: 'group', label, edits: [...edits, { type: 'removeArranged', id }] },
    sentence: `${label}: ${plural(edits.length, 'change')} ${edits.length === 1 ? 'goes' : 'go'} back, with what was changed of them since.`,
    details: [
      ...[...stays].map((message) => `Something stays: ${message}`),
      ...(later.length > 0
        ? [`Arranged later there, and perhaps otherwise without it: ${later.map(({ name }) => name).join(', ')}.`]
        : []),
    ],
  };
}

function sameTree(project: Project, a: string, b: string): boolean {
  const tree = pageHolding(project, a);
  return tree !== undefined && b in tree.elements;
}
