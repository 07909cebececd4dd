import { partNamed, pagesWith, listsOf, usesOf } from '../document/parts';
import type { Project } from '../document/project';
import { pageOf } from '../document/tree';
import { applyEdit } from '../edits/apply-edit';
import type { Edit } from '../edits/edit';
import { apartEdits } from './take-apart';
import type { Plan } from './plan';
import { PlanError } from './plan';

/** What becomes of the uses of a part that is removed: they stay as elements of their own, or go with it. */
export type UsesFate = 'apart' | 'remove';

const counted = (count: number, word: string) => `${count} ${count === 1 ? word : `${word}s`}`;

/** "4 uses on 3 pages", "1 use and 1 list on 1 page", "no use". */
export function usesInWords(project: Project, id: string): string {
  const uses = usesOf(project, id).length;
  const lists = listsOf(project, id).length;
  const pages = pagesWith(project, id).length;
  const all = [...(uses > 0 ? [counted(uses, 'use')] : []), ...(lists > 0 ? [counted(lists, 'list')] : [])];
  return all.length === 0 ? 'no use' : `${all.join(' and ')} on ${counted(pages, 'page')}`;
}

/** Removes a part, with what is wanted done to its uses first. */
export function planRemovePart(project: Project, id: string, fate: UsesFate, newId: () => string): Plan {
  const part = partNamed(project, id);
  if (!part) throw new PlanError('The part has been removed already.');
  const uses = usesOf(project, id);
  let now = project;
  const edits = uses.flatMap(({ tree, id: use }): Edit[] => {
    if (fate === 'remove') return [{ type: 'removeElement', node: use }];
    const apart = apartEdits(now, pageOf(now, tree.id)!, use, newId);
    // What is said of places in a part is said of those that the use before has left.
    if (project.parts.includes(tree)) now = apart.reduce((one, edit) => applyEdit(one, edit).document, now);
    return apart;
  });
  const removal: Edit = { type: 'removePart', part: id };
  const words = usesInWords(project, id);
  return {
    edit: edits.length === 0 ? removal : { type: 'group', label: `Remove part ${part.name}`, edits: [...edits, removal] },
    sentence:
      uses.length === 0
        ? `Removes ${part.name}; it is used nowhere.`
        : fate === 'remove'
          ? `Removes ${part.name} and its ${words}.`
          : `Removes ${part.name}; its ${words} stay as elements of their own and look the same.`,
    details: [],
  };
}
