import { partNamed, pagesWith, usesOf } from '../document/parts';
import type { Project } from '../document/project';
import { pageOf } from '../document/tree';
import type { Edit } from '../edits/edit';
import { apartEdits } from './take-apart';
import type { Plan } from './plan';
import { PlanError } from './plan';

/** What becomes of the uses of a part that is removed: they stay as elements of their own, or go with it. */
export type UsesFate = 'apart' | 'remove';

const counted = (count: number, word: string) => `${count} ${count === 1 ? word : `${word}s`}`;

/** "4 uses on 3 pages", "no use". */
export function usesInWords(project: Project, id: string): string {
  const uses = usesOf(project, id).length;
  const pages = pagesWith(project, id).length;
  return uses === 0 ? 'no use' : `${counted(uses, 'use')} on ${counted(pages, 'page')}`;
}

/** Removes a part, with what is wanted done to its uses first. */
export function planRemovePart(project: Project, id: string, fate: UsesFate, newId: () => string): Plan {
  const part = partNamed(project, id);
  if (!part) throw new PlanError('The part has been removed already.');
  const uses = usesOf(project, id);
  const edits = uses.flatMap(({ tree, id: use }): Edit[] =>
    fate === 'remove' ? [{ type: 'removeElement', node: use }] : apartEdits(project, pageOf(project, tree.id)!, use, newId),
  );
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
